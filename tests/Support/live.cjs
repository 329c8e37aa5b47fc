// A live link as the npm library ws opens it. Standard input: what to do; standard output: what came of it.
// It listens for so many seconds, and longer until every command is answered and every topic that always speaks has spoken.
const WebSocket = require('ws')

const LONGEST = 45_000
const ALWAYS_SPEAK = ['status', 'minutes', 'finds']

let input = ''
process.stdin.on('data', (chunk) => { input += chunk }).on('end', () => {
  const { url, origin, commands, seconds, protocols, answersAlone } = JSON.parse(input)
  const out = { status: null, json: [], levels: [], close: null }
  const socket = new WebSocket(url, protocols ?? [], { origin })
  const began = Date.now()
  let ended = false
  const end = () => {
    if (ended) return
    ended = true
    process.stdout.write(JSON.stringify(out), () => process.exit(0))
  }
  const isRefused = (i) => out.json.some((one) => one.type === 'answer' && one.id === i && !one.ok)
  const topicsOf = (command, i) => (command.do === 'subscribe' && Array.isArray(command.topics) && !isRefused(i) ? command.topics : [])
  const wanted = () => commands.flatMap(topicsOf).filter((topic) => ALWAYS_SPEAK.includes(topic))
  const isDone = () => out.json.filter((one) => one.type === 'answer').length >= commands.length && (answersAlone ? [] : wanted()).every((type) => out.json.some((one) => one.type === type))
  const look = () => (isDone() || Date.now() - began > LONGEST ? end() : setTimeout(look, 20))
  socket.on('unexpected-response', (_, response) => { out.status = response.statusCode; end() })
  socket.on('error', (error) => { out.error = error.message; if (out.status === null) end() })
  socket.on('open', () => {
    out.status = 101
    commands.forEach((command, i) => socket.send(typeof command === 'string' ? command : JSON.stringify({ id: i, ...command })))
    setTimeout(look, seconds * 1000)
  })
  socket.on('message', (data, binary) => {
    if (!binary) return out.json.push(JSON.parse(data.toString()))
    const id = data.subarray(2, 2 + data[1]).toString()
    out.levels.push({ at: Date.now(), kind: data[0], universe: id, first: [...data.subarray(2 + data[1], 6 + data[1])], length: data.length - 2 - data[1] })
  })
  socket.on('close', (code) => { out.close = code; end() })
})
