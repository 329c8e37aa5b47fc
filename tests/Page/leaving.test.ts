import { beforeEach, describe, expect, it } from 'vitest'
import { halfFilled, leaving, mayLeave, onceLeft } from '@/kinds/halfFilled'

beforeEach(() => {
  halfFilled.value = ''
  leaving.value = null
})

describe('a half-filled form', () => {
  it('lets go at once where nothing was typed', async () => {
    expect(await mayLeave()).toBe('leave')
  })
  it('asks, and does what is answered', async () => {
    halfFilled.value = 'New port'
    const first = mayLeave()
    leaving.value?.('stay')
    expect(await first).toBe('stay')
    expect(halfFilled.value).toBe('New port')
    const second = mayLeave()
    leaving.value?.('leave')
    expect(await second).toBe('leave')
    expect(halfFilled.value).toBe('')
    expect(leaving.value).toBeNull()
  })
  it('has no question left once it is stored while the question stands', async () => {
    halfFilled.value = 'Change Palm House'
    let went = 0
    const going = onceLeft(() => {
      went++
    })
    expect(leaving.value).not.toBeNull()
    halfFilled.value = ''
    await going
    expect(went).toBe(1)
    expect(leaving.value).toBeNull()
  })
  it('forgets the first way where somebody chooses another', async () => {
    halfFilled.value = 'New port'
    const first = mayLeave()
    const second = mayLeave()
    expect(await first).toBe('stay')
    halfFilled.value = ''
    expect(await second).toBe('stored')
  })
})
