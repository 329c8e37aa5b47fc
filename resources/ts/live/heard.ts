import { computed } from 'vue'
import { useEngine } from './engine'

const isAddress = (text: string) => /^\d+\.\d+\.\d+\.\d+$/.test(text)
const asNumber = (address: string) => address.split('.').reduce((sum, part) => sum * 256 + Number(part), 0)

/** The IPv4 addresses that something has come from lately, at any port, or that say on the network that they are there. */
export function useHeardAddresses() {
  const engine = useEngine()
  return computed(() => {
    const found = new Set<string>()
    for (const life of Object.values(engine.ports)) Object.keys(life.senders ?? {}).forEach((one) => found.add(one))
    for (const one of engine.finds.neighbours) found.add(one.address)
    for (const one of engine.unclaimed) found.add(one.from)
    return [...found].filter(isAddress).sort((a, b) => asNumber(a) - asNumber(b))
  })
}
