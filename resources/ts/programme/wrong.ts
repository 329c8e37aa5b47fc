import { computed } from 'vue'
import { useShow } from '@/api/show'
import { healthWords } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { PortState } from '@/live/types'
import { useProgramme } from './live'

const BAD: PortState[] = ['fault', 'lost', 'silent', 'unsteady']
/** One thing that somebody should know of, with the page where more is said. */
export interface Trouble {
  key: string
  words: string
  path: string
  state: PortState | 'held'
}

/** What is wrong now, or stands otherwise than usual: the worst first. */
export function useTroubles() {
  const show = useShow()
  const engine = useEngine()
  const { masters, isDark, news } = useProgramme()
  engine.follow(() => ['status'])
  /** What blackout does not reach: it knows lights by their fixtures. */
  const leftLit = () => {
    const left = news.value?.leftLit ?? 0
    if (left === 0) return ''
    return left === 1
      ? ', but 1 raised slot has no fixture and is left'
      : `, but ${left} raised slots have no fixture and are left`
  }
  return computed<Trouble[]>(() => {
    const ports = show.ports
      .map((port) => ({ port, life: engine.ports[port.id] }))
      .filter(({ life }) => life !== undefined && BAD.includes(life.state))
      .sort((a, b) => BAD.indexOf(a.life?.state ?? 'lost') - BAD.indexOf(b.life?.state ?? 'lost'))
      .map(({ port, life }) => ({
        key: `port ${port.id}`,
        words: `${port.name}: ${healthWords(life, port)}`,
        path: `/ports/${port.id}`,
        state: life?.state ?? ('lost' as const),
      }))
    const dark = isDark.value
      ? [
          {
            key: 'blackout',
            words: `Blackout is on: all light is at 0${leftLit()}.`,
            path: '/programme-masters',
            state: 'held' as const,
          },
        ]
      : []
    const low = show.masters
      .filter((one) => (masters.value.get(one.id)?.share ?? 1) === 0)
      .map((one) => ({
        key: `master ${one.id}`,
        words: `${one.name} is at 0.`,
        path: `/programme-masters/${one.id}`,
        state: 'held' as const,
      }))
    const alone = show.masters
      .filter((one) => masters.value.get(one.id)?.isAlone)
      .map((one) => ({
        key: `solo ${one.id}`,
        words: `${one.name} is solo: all else is dark.`,
        path: `/programme-masters/${one.id}`,
        state: 'held' as const,
      }))
    const count = engine.holds.length
    const held =
      count > 0
        ? [
            {
              key: 'held',
              words: `${count === 1 ? '1 slot is' : `${count} slots are`} held by hand.`,
              path: '/universes',
              state: 'held' as const,
            },
          ]
        : []
    const gone =
      engine.state === 'open' ? [] : [{ key: 'engine', words: 'The engine does not answer.', path: '/', state: 'lost' as const }]
    return [...gone, ...dark, ...alone, ...low, ...ports, ...held]
  })
}
