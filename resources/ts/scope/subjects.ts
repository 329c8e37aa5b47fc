/** What a lane of the scope watches, as the engine writes it: "slot:UNIVERSE:NUMBER", "message:PORT:ARGUMENT:/address" or "point:REFERENCE". */
export interface Watched {
  subject: string
  kind: 'slot' | 'message' | 'point'
  holder: string
  place: number
  address: string
}

export function readSubject(subject: string): Watched | null {
  const slot = /^slot:([a-z0-9-]+):(\d{1,3})$/.exec(subject)
  if (slot) return { subject, kind: 'slot', holder: slot[1] ?? '', place: Number(slot[2]), address: '' }
  const message = /^message:([a-z0-9-]+):(\d{1,2}):(\/\S+)$/.exec(subject)
  if (message) return { subject, kind: 'message', holder: message[1] ?? '', place: Number(message[2]), address: message[3] ?? '' }
  const point = /^point:([a-z]+:[a-z0-9-]+(\/\S.*)?)$/.exec(subject)
  return point ? { subject, kind: 'point', holder: point[1] ?? '', place: 0, address: '' } : null
}
