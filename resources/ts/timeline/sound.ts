import { shallowReactive } from 'vue'
import type { Track } from './parts'

export const PER_SECOND = 20
/** Sounds that were opened on this page, by the name of their file: the show keeps only how loud they are. */
const opened = shallowReactive(new Map<string, HTMLAudioElement>())
export const soundOf = (file: string) => opened.get(file) ?? null

/** How loud it is, so many times a second: the loudest of all channels, 0 to 255. */
export function peaksOf(channels: Float32Array[], rate: number): Uint8Array {
  const step = rate / PER_SECOND
  const count = Math.ceil((channels[0]?.length ?? 0) / step)
  const peaks = new Uint8Array(count)
  for (let i = 0; i < count; i++) {
    let most = 0
    for (const samples of channels)
      for (let k = Math.floor(i * step); k < Math.min(samples.length, Math.floor((i + 1) * step)); k++)
        most = Math.max(most, Math.abs(samples[k] ?? 0))
    peaks[i] = Math.min(255, Math.round(most * 255))
  }
  return peaks
}
export const asText = (peaks: Uint8Array) => btoa(Array.from(peaks, (one) => String.fromCharCode(one)).join(''))
const known = new Map<string, Uint8Array>()
export function fromText(text: string): Uint8Array {
  const found = known.get(text)
  if (found) return found
  let peaks = new Uint8Array(0)
  try {
    peaks = Uint8Array.from(atob(text), (one) => one.charCodeAt(0))
  } catch {
    // What is no Base64 is silence.
  }
  known.set(text, peaks)
  return peaks
}

/** A sound file is opened here, and its loudness read. It does not leave this page. */
export async function openSound(file: File): Promise<{ file: string; seconds: number; perSecond: number; peaks: string }> {
  const context = new AudioContext()
  try {
    const sound = await context.decodeAudioData(await file.arrayBuffer())
    const channels = Array.from({ length: sound.numberOfChannels }, (_, i) => sound.getChannelData(i))
    opened.get(file.name)?.pause()
    opened.set(file.name, new Audio(URL.createObjectURL(file)))
    return {
      file: file.name.slice(0, 200),
      seconds: Number(sound.duration.toFixed(3)),
      perSecond: PER_SECOND,
      peaks: asText(peaksOf(channels, sound.sampleRate)),
    }
  } catch {
    throw new Error('This browser cannot read that as sound: choose a WAV, FLAC or MP3 file.')
  } finally {
    void context.close()
  }
}

/** A sound goes along with what is played: it is put right only where it is off by more than one hears. */
export function goAlong(track: Track, seconds: number, isPlaying: boolean, rate: number): void {
  if (track.does.kind !== 'sound') return
  const sound = soundOf(track.does.file ?? '')
  if (!sound) return
  const isThere = isPlaying && !track.muted && seconds >= 0 && seconds < (track.does.seconds ?? 0)
  if (!isThere) {
    if (!sound.paused) sound.pause()
    return
  }
  sound.playbackRate = Math.min(4, Math.max(0.25, rate))
  if (Math.abs(sound.currentTime - seconds) > 0.08) sound.currentTime = seconds
  if (sound.paused) void sound.play().catch(() => undefined)
}
