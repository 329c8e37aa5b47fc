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
    if (lane) lanes.set(lane, [...(lanes.get(lane) ?? []), route])
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

/** Everything on the way to a node and on from it. */
export function pathThrough(edges: Edge[], node: string): Set<string> {
  const walk = (start: string, next: (edge: Edge, at: string) => string | null, found: Set<string>) => {
    const open = [start]
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      found.add(at)
      for (const edge of edges) {
        const to = next(edge, at)
        if (to !== null && !found.has(to)) open.push(to)
      }
    }
    return found
  }
  const on = walk(node, (edge, at) => (edge.from === at ? edge.to : null), new Set())
  const back = walk(node, (edge, at) => (edge.to === at ? edge.from : null), new Set())
  return new Set([...on, ...back])
}
