/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
import type { Id, PartOfKind3, Point } from './showParts'

export interface Surface {
  id: Id
  name: string
  folder?: string
  entry?: 'people' | 'code' | 'network'
  networks?: string[]
  kiosk?: boolean
  pages?: Page[]
  note?: string
}
export interface Page {
  id: Id
  name: string
  columns?: number
  rows?: number
  flows?: boolean
  controls?: Control[]
}
export interface Control {
  id: Id
  name: string
  does: PartOfKind4
  column?: number
  row?: number
  width?: number
  height?: number
  text?: string
  size?: 'small' | 'medium' | 'large' | 'huge'
  showsValue?: boolean
  colour?: string
  ground?: string
  ink?: string
  unit?: string
  visible?: Point
  enabled?: Point
  longPress?: Point
  do?: PartOfKind3[]
}
export interface PartOfKind4 {
  kind: string
  [k: string]: unknown
}
