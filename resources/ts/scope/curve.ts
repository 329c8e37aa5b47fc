import { onScopeDispose, shallowReactive } from 'vue'
import { useEngine } from '@/live/engine'

const LONGEST_MILLIS = 60_000
export interface Curve {
  times: number[]
  values: number[]
  words: string
  next: number
}

/** The points of every watched subject over the last minute, in milliseconds of this page's own clock. */
export function useCurves(): Map<string, Curve> {
  const engine = useEngine()
  // News may be late, never early: the smallest difference that was ever seen between the two clocks is the truest.
  let ahead = Infinity
  const curves = shallowReactive(new Map<string, Curve>())
  const stop = engine.onScope((news) => {
    const before = curves.get(news.subject)
    const now = performance.now()
    if (news.now + ahead > now + LONGEST_MILLIS || news.now + ahead < now - LONGEST_MILLIS) ahead = Infinity
    ahead = Math.min(ahead, now - news.now)
    // An engine that has started again counts anew.
    const kept =
      before && news.from <= before.next && news.next >= before.next ? before : { times: [], values: [], words: '', next: 0 }
    const fresh = before === kept ? news.points.slice(Math.max(0, news.points.length - (news.next - kept.next))) : news.points
    for (const [at, value] of fresh) {
      kept.times.push(at + ahead)
      kept.values.push(value)
    }
    const old = kept.times.findIndex((time) => time >= now - LONGEST_MILLIS)
    kept.times.splice(0, old < 0 ? kept.times.length : old)
    kept.values.splice(0, kept.values.length - kept.times.length)
    curves.set(news.subject, { ...kept, words: news.words, next: news.next })
  })
  onScopeDispose(stop)
  return curves
}
