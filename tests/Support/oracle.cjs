// Asks general-purpose npm libraries to make and read packets, so that our own are held against somebody else's.
// Standard input: a JSON list of questions; standard output: the list of answers. Nothing touches the network.
const dgram = require('node:dgram')
const { EventEmitter } = require('node:events')

let sent = []
class NoSocket extends EventEmitter {
  bind(...words) { const ready = words.find((word) => typeof word === 'function'); if (ready) ready() }
  setBroadcast() {}
  address() { return { address: '127.0.0.1', port: 0 } }
  close() {}
  send(buffer, offset, length, port, address, done) { sent.push(Buffer.from(buffer).toString('hex')); if (done) done(null) }
}
dgram.createSocket = () => new NoSocket()

const { Packet } = require('sacn')
const { dmxnet } = require('dmxnet')
const osc = require('osc')
const midiFile = require('midi-file')
const { Midi } = require('@tonejs/midi')
const JZZ = require('jzz')

const artNet = new dmxnet({ log: { level: 'error' } })
const hex = (bytes) => Buffer.from(bytes).toString('hex')
const bytes = (text) => Buffer.from(text, 'hex')

const answers = {
  'sacn encode': (q) => ({ bytes: hex(new Packet({ universe: q.universe, sequence: q.sequence, priority: q.priority, sourceName: q.name, cid: bytes(q.cid), useRawDmxValues: true, payload: Object.fromEntries(q.levels.map((level, i) => [i + 1, level])) }).buffer) }),
  'sacn decode': (q) => {
    const packet = new Packet(bytes(q.bytes))
    return { universe: packet.universe, sequence: packet.sequence, priority: packet.priority, name: packet.sourceName, cid: hex(packet.cid), options: packet.options, levels: [...packet.payloadAsBuffer] }
  },
  'dmxnet encode': (q) => {
    sent = []
    const sender = artNet.newSender({ ip: '127.0.0.1', net: q.net, subnet: q.subnet, universe: q.universe, base_refresh_interval: 1000000 })
    q.levels.forEach((level, i) => sender.prepChannel(i, level))
    sender.transmit()
    sender.stop()
    return { bytes: sent.at(-1) }
  },
  'dmxnet decode': (q) => {
    const receiver = artNet.newReceiver({ net: q.net, subnet: q.subnet, universe: q.universe })
    let heard = null
    receiver.on('data', (data) => { heard = [...data] })
    artNet.listener4.emit('message', bytes(q.bytes), { address: '127.0.0.9', port: 6454, size: q.bytes.length / 2 })
    return { levels: heard }
  },
  'osc encode': (q) => ({ bytes: hex(osc.writePacket(q.packet, { metadata: true })) }),
  'osc decode': (q) => ({ packet: osc.readPacket(bytes(q.bytes), { metadata: true }) }),
  'midi-file read': (q) => ({ file: midiFile.parseMidi(bytes(q.bytes)) }),
  'midi-file write': (q) => ({ bytes: hex(midiFile.writeMidi(q.file, { running: q.running === true })) }),
  'tonejs read': (q) => {
    const midi = new Midi(bytes(q.bytes))
    return { ppq: midi.header.ppq, tempos: midi.header.tempos, signatures: midi.header.timeSignatures, controls: midi.tracks.flatMap((track) => Object.entries(track.controlChanges).flatMap(([number, changes]) => changes.map((one) => [Number(number), Math.round(one.value * 127), one.time]))), bends: midi.tracks.flatMap((track) => track.pitchBends.map((one) => [one.value, one.time])), notes: midi.tracks.flatMap((track) => track.notes.map((note) => ({ midi: note.midi, time: note.time, duration: note.duration }))) }
  },
  // JZZ makes messages by name, and says in words what it reads.
  'jzz make': (q) => ({ bytes: q.messages.map(([name, ...values]) => hex(JZZ.MIDI[name](...values))) }),
  'jzz say': (q) => ({ words: q.messages.map((message) => JZZ.MIDI(...bytes(message)).toString()) }),
  'osc-min encode': async (q) => ({ bytes: hex(new Uint8Array((await import('osc-min')).toBuffer(q.packet).buffer)) }),
  'osc-min decode': async (q) => ({ packet: (await import('osc-min')).fromBuffer(bytes(q.bytes)) }),
}

let input = ''
process.stdin.on('data', (chunk) => { input += chunk }).on('end', async () => {
  const out = []
  for (const question of JSON.parse(input)) {
    try { out.push(await answers[question.ask](question)) } catch (error) { out.push({ error: String(error.message ?? error) }) }
  }
  process.stdout.write(JSON.stringify(out), () => process.exit(0))
})
