// Stands for the Web MIDI and Gamepad APIs of a browser with devices plugged in: one keyboard with lights, one stick.
(() => {
  const port = (type) => ({ type, id: type, name: 'Attic Keys', manufacturer: '', state: 'connected', connection: 'open', onmidimessage: null, sent: [], send(bytes) { this.sent.push([...bytes]) } })
  const input = port('input')
  const output = port('output')
  const access = { inputs: new Map([['input', input]]), outputs: new Map([['output', output]]), onstatechange: null, sysexEnabled: true }
  navigator.requestMIDIAccess = async () => access
  const turn = (state) => {
    input.state = output.state = state
    access.onstatechange?.({})
  }
  window.keys = {
    play: (...bytes) => input.onmidimessage?.({ data: Uint8Array.from(bytes) }),
    lit: () => output.sent,
    unplug: () => turn('disconnected'),
    plugIn: () => turn('connected'),
  }
  const pads = [null, null, null, null]
  navigator.getGamepads = () => pads
  window.stick = {
    plugIn: () => {
      pads[0] = { id: 'Glass Stick', index: 0, connected: true, axes: [0.1, 0], buttons: [{ value: 0, pressed: false }] }
      dispatchEvent(new Event('gamepadconnected'))
    },
    move: (axis, value) => { pads[0].axes[axis] = value },
    press: (value) => { pads[0].buttons = [{ value, pressed: value > 0 }] },
    unplug: () => {
      pads[0] = null
      dispatchEvent(new Event('gamepaddisconnected'))
    },
  }
})()
