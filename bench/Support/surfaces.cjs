// So many surfaces open at once, each as the npm library ws opens it; or a bare relay, that sends the first byte of what it hears on as a datagram.
//   node surfaces.cjs open URL… (standard input: one URL a line)      node surfaces.cjs relay PORT TO-ADDRESS TO-PORT
const WebSocket = require('ws')

const [what, ...words] = process.argv.slice(2)
if (what === 'relay') {
  const udp = require('dgram').createSocket('udp4')
  new WebSocket.Server({ port: Number(words[0]), host: '127.0.0.1' }, () => console.log('ready')).on('connection', (socket) => {
    socket.on('message', (data) => udp.send(Buffer.from([Number(JSON.parse(data).value) ? 255 : 0]), Number(words[2]), words[1]))
  })
} else {
  let heard = 0
  let input = ''
  process.stdin.on('data', (chunk) => { input += chunk }).on('end', () => {
    // One after the other: of one address few may wait at the door.
    const lines = input.trim().split('\n')
    const next = () => {
      if (lines.length === 0) return
      const { url, surface } = JSON.parse(lines.shift())
      const socket = new WebSocket(url, { origin: 'http://127.0.0.1:1' })
      socket.on('open', () => { socket.send(JSON.stringify({ do: 'subscribe', topics: [`surface:${surface}`], id: 1 })); next() })
      socket.on('message', () => { heard++ })
      socket.on('error', (error) => console.log(`error ${error.message}`))
    }
    next()
  })
  process.on('SIGTERM', () => { console.log(`heard ${heard}`); process.exit(0) })
}
