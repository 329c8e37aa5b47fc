import { describe, expect, it } from 'vitest'
import { nearest } from '@/components/near'

const all = ['House desk', 'Guest desk', 'Palm House dimmers', 'Lily Pond laser'].map((name) => ({
  id: name.toLowerCase().replaceAll(' ', '-'),
  name,
}))
const near = (wanted: string) => nearest(wanted, all).map((one) => one.id)

describe('what is near something that is gone', () => {
  it('shares words with it, or their beginnings; most first', () => {
    expect(near('house-desk-2')).toEqual(['house-desk', 'guest-desk', 'palm-house-dimmers'])
    expect(near('lily-lasers')).toEqual(['lily-pond-laser'])
    expect(near('attic')).toEqual([])
  })
})
