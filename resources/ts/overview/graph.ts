import type { Port, Route, RouteEnds, Universe } from '@/api/show'

export interface Edge {
  from: string
  to: string
}
export interface Graph {
  inputs: Port[]
  outputs: Port[]
  universes: Universe[]
  inRoutes: Map<string, Route[]>
  outRoutes: Map<string, Route[]>
  edges: Edge[]
}

/** The show as lanes: nodes are "in:PORT", "universe:ID", "route:ID" and "out:PORT". */
export function makeGraph(ports: Port[], universes: Universe[], routes: Route[], ends: Record<string, RouteEnds>): Graph {
  const edges: Edge[] = []
  const inRoutes = new Map<string, Route[]>()
  const outRoutes = new Map<string, Route[]>()
  for (const port of ports) {
    for (const link of port.receive?.feeds ?? []) edges.push({ from: `in:${port.id}`, to: `universe:${link.universe}` })
    for (const link of port.send?.carries ?? []) edges.push({ from: `universe:${link.universe}`, to: `out:${port.id}` })
  }
  for (const route of routes) {
    const own = ends[route.id]
    if (!own) continue
    const node = `route:${route.id}`
    for (const port of own.hears) edges.push({ from: `in:${port}`, to: node })
    for (const universe of own.looks) edges.push({ from: `universe:${universe}`, to: node })
    for (const universe of own.sets) edges.push({ from: node, to: `universe:${universe}` })
    for (const port of own.says) edges.push({ from: node, to: `out:${port}` })
    // It lies in the lane of the first universe that it sets, or looks at.
    const lane = own.sets[0] ?? own.looks[0]
    const lanes = own.sets[0] ? inRoutes : outRoutes
    const there = lane ? lanes.get(lane) : undefined
    if (there) there.push(route)
    else if (lane) lanes.set(lane, [route])
  }
  return {
    inputs: ports.filter((port) => port.receive),
    outputs: ports.filter((port) => port.send),
    universes,
    inRoutes,
    outRoutes,
    edges,
  }
}

/** The neighbours of every node, forth and back: found once for a show, however often somebody points at something. */
const neighbours = new WeakMap<Edge[], { on: Map<string, string[]>; back: Map<string, string[]> }>()
function neighboursIn(edges: Edge[]) {
  const known = neighbours.get(edges)
  if (known) return known
  const made = { on: new Map<string, string[]>(), back: new Map<string, string[]>() }
  const note = (map: Map<string, string[]>, at: string, next: string) => {
    const list = map.get(at)
    if (list) list.push(next)
    else map.set(at, [next])
  }
  for (const { from, to } of edges) {
    note(made.on, from, to)
    note(made.back, to, from)
  }
  neighbours.set(edges, made)
  return made
}

/** Everything on the way to a node and on from it. */
export function pathThrough(edges: Edge[], node: string): Set<string> {
  const { on, back } = neighboursIn(edges)
  const walk = (next: Map<string, string[]>) => {
    const found = new Set([node])
    const open = [node]
    for (let at = open.pop(); at !== undefined; at = open.pop())
      for (const to of next.get(at) ?? [])
        if (!found.has(to)) {
          found.add(to)
          open.push(to)
        }
    return found
  }
  return new Set([...walk(on), ...walk(back)])
}
