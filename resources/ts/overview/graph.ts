import type { Port, Route, Universe } from '@/api/show'

export interface Edge { from: string, to: string }
export interface Graph { inputs: Port[], outputs: Port[], universes: Universe[], inRoutes: Map<string, Route[]>, outRoutes: Map<string, Route[]>, edges: Edge[] }

/** The show as lanes: nodes are "in:PORT", "universe:ID", "route:ID" and "out:PORT". */
export function makeGraph(ports: Port[], universes: Universe[], routes: Route[]): Graph {
  const edges: Edge[] = []
  const inRoutes = new Map<string, Route[]>()
  const outRoutes = new Map<string, Route[]>()
  for (const port of ports) {
    for (const link of port.receive?.feeds ?? []) edges.push({ from: `in:${port.id}`, to: `universe:${link.universe}` })
    for (const link of port.send?.carries ?? []) edges.push({ from: `universe:${link.universe}`, to: `out:${port.id}` })
  }
  for (const route of routes) {
    if (route.from.kind === 'message' && route.to.kind === 'slot') {
      edges.push({ from: `in:${route.from.port}`, to: `route:${route.id}` }, { from: `route:${route.id}`, to: `universe:${route.to.universe}` })
      inRoutes.set(route.to.universe, [...inRoutes.get(route.to.universe) ?? [], route])
    } else if (route.from.kind === 'slot' && route.to.kind === 'message') {
      edges.push({ from: `universe:${route.from.universe}`, to: `route:${route.id}` }, { from: `route:${route.id}`, to: `out:${route.to.port}` })
      outRoutes.set(route.from.universe, [...outRoutes.get(route.from.universe) ?? [], route])
    }
  }
  return { inputs: ports.filter((port) => port.receive), outputs: ports.filter((port) => port.send), universes, inRoutes, outRoutes, edges }
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
