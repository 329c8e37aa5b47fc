import { describe, expect, it } from 'vitest'
import { matching, slotIn, type Find } from '@/frame/finds'

const run = () => {}
const all: Find[] = [
  { kind: 'page', name: 'Ports', run },
  { kind: 'port', name: 'Balcony node', more: 'sends to 192.168.1.40, sACN universe 7', run },
  { kind: 'route', name: 'Doors', more: 'When /palm/doors arrives on Tablet, set slot 9 of Palm House', run },
  { kind: 'action', name: 'Stop sending: Balcony node', run },
]
const names = (text: string) => matching(all, text).map((one) => one.name)

describe('the palette', () => {
  it('finds by names, kinds, addresses, numbers and paths, names first', () => {
    expect(names('balcony')).toEqual(['Balcony node', 'Stop sending: Balcony node'])
    expect(names('PORT')).toEqual(['Ports', 'Balcony node'])
    expect(names('192.168.1.40')).toEqual(['Balcony node'])
    expect(names('universe 7')).toEqual(['Balcony node'])
    expect(names('/palm/doors')).toEqual(['Doors'])
    expect(names('stop balcony')).toEqual(['Stop sending: Balcony node'])
    expect(names('nothing of the kind')).toEqual([])
    expect(names('')).toHaveLength(4)
  })
  it('puts first what is called just so', () => {
    const both: Find[] = [
      { kind: 'action', name: 'Undo: add a route "K1"', run },
      { kind: 'action', name: 'Add a route', run },
    ]
    expect(matching(both, 'add a route').map((one) => one.name)).toEqual(['Add a route', 'Undo: add a route "K1"'])
  })
  it('reads a slot at the end', () => {
    expect(slotIn('palm 12')).toEqual({ words: 'palm', slot: 12 })
    expect(slotIn('512')).toEqual({ words: '', slot: 512 })
    for (const text of ['513', '0', 'palm', '12 palm', '192.168.1.4000']) expect(slotIn(text)).toBeNull()
  })
})
