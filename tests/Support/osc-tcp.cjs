// OSC over TCP as the npm library osc speaks it (SLIP, as OSC 1.1 says): sends one message, prints the first that comes back.
const osc = require('osc')

const [, , address, port, path, value] = process.argv
const socket = new osc.TCPSocketPort({ address, port: Number(port), metadata: true })
socket.on('ready', () => socket.send({ address: path, args: [{ type: 'f', value: Number(value) }] }))
socket.on('message', (message) => process.stdout.write(JSON.stringify(message), () => process.exit(0)))
socket.on('error', (error) => { process.stderr.write(String(error)); process.exit(1) })
socket.open()
setTimeout(() => process.exit(2), 8000)
