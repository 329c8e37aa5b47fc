// Times general-purpose npm libraries on the same packets that our own codecs are timed on.
// Prints nanoseconds of one call as JSON. Nothing touches the network.
const dgram = require('node:dgram')
const { EventEmitter } = require('node:events')

let sent = null
class NoSocket extends EventEmitter {
  bind(...words) { const ready = words.find((word) => typeof word === 'function'); if (ready) ready() }
  setBroadcast() {}
  address() { return { address: '127.0.0.1', port: 0 } }
  close() {}
  send(buffer) { sent = buffer }
}
dgram.createSocket = () => new NoSocket()

const { Packet } = require('sacn')
const { dmxnet } = require('dmxnet')
const osc = require('osc')
const midiFile = require('midi-file')
const JZZ = require('jzz')

function nanos(work, calls) {
  let best = Infinity
  for (let round = 0; round < 7; round++) {
    const begin = process.hrtime.bigint()
    for (let call = 0; call < calls; call++) work(call)
    best = Math.min(best, Number(process.hrtime.bigint() - begin) / calls)
  }
  return best
}

const frames = Array.from({ length: 64 }, (_, f) => Array.from({ length: 512 }, (_, i) => (i * 7 + f * 13) % 256))
const payloads = frames.map((frame) => Object.fromEntries(frame.map((level, i) => [i + 1, level])))
const cid = Buffer.from('0123456789abcdeffedcba9876543210', 'hex')
const make = (call) => new Packet({ universe: 1, sequence: call & 255, priority: 100, sourceName: 'Bench', cid, useRawDmxValues: true, payload: payloads[call & 63] }).buffer
const sacnPackets = payloads.map((_, i) => Buffer.from(make(i)))

const artNet = new dmxnet({ log: { level: 'error' } })
const sender = artNet.newSender({ ip: '127.0.0.1', net: 0, subnet: 0, universe: 1, base_refresh_interval: 1000000 })
const artPackets = frames.map((frame) => {
  frame.forEach((level, i) => sender.prepChannel(i, level))
  sender.transmit()
  return Buffer.from(sent)
})
const receiver = artNet.newReceiver({ net: 0, subnet: 0, universe: 1 })
receiver.on('data', () => {})

const message = (call) => ({ address: '/palm/lamp/3', args: [{ type: 'f', value: (call & 63) / 63 }, { type: 'i', value: call & 63 }, { type: 's', value: 'lantern' }] })
const oscPackets = frames.map((_, i) => osc.writePacket(message(i), { metadata: true }))

const track = [{ deltaTime: 0, meta: true, type: 'setTempo', microsecondsPerBeat: 606305 }]
for (let i = 0; i < 2000; i++) {
  track.push({ deltaTime: 120, type: 'noteOn', channel: i & 15, noteNumber: 36 + i % 48, velocity: 100 }, { deltaTime: 120, type: 'noteOff', channel: i & 15, noteNumber: 36 + i % 48, velocity: 64 })
}
track.push({ deltaTime: 0, meta: true, type: 'endOfTrack' })
const song = { header: { format: 0, numTracks: 1, ticksPerBeat: 480 }, tracks: [track] }
const songBytes = midiFile.writeMidi(song)

async function all() {
  const min = await import('osc-min')
  const minMessage = (call) => ({ address: '/palm/lamp/3', args: [{ type: 'float', value: (call & 63) / 63 }, { type: 'integer', value: call & 63 }, { type: 'string', value: 'lantern' }] })
  return {

    'sACN encode': nanos((call) => make(call), 1000),
    'sACN decode': nanos((call) => new Packet(sacnPackets[call & 63]).payload, 1000),
    'Art-Net encode': nanos((call) => {
      const frame = frames[call & 63]
      for (let i = 0; i < 512; i++) sender.prepChannel(i, frame[i])
      sender.transmit()
    }, 1000),
    'Art-Net decode': nanos((call) => artNet.listener4.emit('message', artPackets[call & 63], { address: '127.0.0.9', port: 6454, size: 530 }), 4000),
    'OSC encode (osc)': nanos((call) => osc.writePacket(message(call), { metadata: true }), 20000),
    'OSC decode (osc)': nanos((call) => osc.readPacket(oscPackets[call & 63], { metadata: true }), 20000),
    'OSC encode (osc-min)': nanos((call) => min.toBuffer(minMessage(call)), 20000),
    'OSC decode (osc-min)': nanos((call) => min.fromBuffer(Buffer.from(oscPackets[call & 63])), 20000),
    'MIDI message make (jzz)': nanos((call) => JZZ.MIDI.noteOn(call & 15, call & 127, 100), 20000),
    'MIDI message read (jzz)': nanos((call) => JZZ.MIDI(0x90 | call & 15, call & 127, 100), 20000),
    'MIDI file read (midi-file)': nanos(() => midiFile.parseMidi(songBytes), 20),
    'MIDI file write (midi-file)': nanos(() => midiFile.writeMidi(song), 20),
  }
}

all().then((results) => {
  sender.stop()
  process.stdout.write(JSON.stringify(results), () => process.exit(0))
})
