/** What a lane of the scope watches, as the engine writes it: "slot:UNIVERSE:NUMBER" or "message:PORT:ARGUMENT:/address". */
export interface Watched { subject: string, isSlot: boolean, holder: string, place: number, address: string }

export function readSubject(subject: string): Watched | null {
  const slot = /^slot:([a-z0-9-]+):(\d{1,3})$/.exec(subject)
  if (slot) return { subject, isSlot: true, holder: slot[1] ?? '', place: Number(slot[2]), address: '' }
  const message = /^message:([a-z0-9-]+):(\d{1,2}):(\/\S+)$/.exec(subject)
  return message ? { subject, isSlot: false, holder: message[1] ?? '', place: Number(message[2]), address: message[3] ?? '' } : null
}
