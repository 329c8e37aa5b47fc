import { call } from '@/api/client'
import type { Surface } from '@/api/show'
import { useShow } from '@/api/show'
import { saveFile } from '@/components/handOver'

const FORMAT = 'nimble-junction/surface'

/** One surface as a file of its own. */
export function saveSurface(surface: Surface): void {
  const text = JSON.stringify({ format: FORMAT, version: 1, surface }, null, 2)
  saveFile(`${surface.id}.surface.json`, new Blob([text], { type: 'application/json' }))
}

/** @returns its id, and the points that this show does not have */
export async function takeSurface(text: string): Promise<{ id: string; left: string[] }> {
  const show = useShow()
  const answer = (await show.take(call('POST', 'show/surfaces/file', text))) as { id?: string; left?: string[] }
  return { id: answer.id ?? '', left: answer.left ?? [] }
}

export const codedSurfaces = () => call<{ surfaces: string[] }>('GET', 'surfaces/coded').then((answer) => answer.surfaces)
export const setCode = (surface: string, code: string) =>
  call<{ surfaces: string[] }>('PUT', `surfaces/${surface}/code`, { code }).then((answer) => answer.surfaces)
