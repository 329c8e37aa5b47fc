/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
import type { Id, PartOfKind, PartOfKind3, Point } from './showParts'

export interface Surface {
  id: Id
  name: string
  folder?: string
  entry?: 'people' | 'code' | 'network'
  networks?: string[]
  kiosk?: boolean
  locked?: boolean
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
  turned?: LayoutForTheOtherOrientation
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
  icon?:
    | 'none'
    | 'bell'
    | 'camera'
    | 'clock'
    | 'door'
    | 'down'
    | 'eye'
    | 'fire'
    | 'light'
    | 'lock'
    | 'microphone'
    | 'moon'
    | 'music'
    | 'next'
    | 'pause'
    | 'person'
    | 'play'
    | 'power'
    | 'previous'
    | 'star'
    | 'stop'
    | 'sun'
    | 'up'
    | 'warning'
    | 'water'
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
  hardware?: Grip[]
}
export interface PartOfKind4 {
  kind: string
  [k: string]: unknown
}
export interface Grip {
  part: string
  moves?: string
}
export interface LayoutForTheOtherOrientation {
  columns: number
  rows: number
  places?: PlaceOfAControl[]
}
export interface PlaceOfAControl {
  control: string
  column?: number
  row?: number
  width?: number
  height?: number
}
export interface Panel {
  id: Id
  name: string
  surface: Id
  enabled?: boolean
  parts?: PartOfAPanel[]
  oscPort?: Id
  oscAddress?: string
  note?: string
}
export interface PartOfAPanel {
  id: string
  name?: string
  when: PartOfKind
  does: PartOfKind5
  display?: Display
}
export interface PartOfKind5 {
  kind: string
  [k: string]: unknown
}
export interface Display {
  shows?: 'name' | 'value' | 'name and value'
  address?: string
  before?: string
  length?: number
}
