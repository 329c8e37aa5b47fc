import type { Control } from '@/api/showDocument'
import type { SurfaceControl, SurfaceNews } from '@/live/messages'
import { boxOf } from './build'

/** A control as it is drawn while it is built: placed as it is here, and else as the engine knows it already. */
export function drawn(control: Control, news: SurfaceNews | null): SurfaceControl {
  const known = news?.pages.flatMap((page) => page.controls).find((one) => one.id === control.id)
  const plain = {
    id: control.id,
    kind: control.does.kind,
    colour: '',
    ground: '',
    inkOn: '',
    inkOff: '',
    hasLong: false,
    traits: control.does as Record<string, unknown>,
  }
  const isSame = known?.kind === control.does.kind
  return {
    ...plain,
    ...(isSame ? known : {}),
    name: control.name,
    text: control.text ?? '',
    size: control.size ?? 'medium',
    icon: control.icon ?? '',
    showsValue: control.showsValue ?? true,
    ...boxOf(control),
  }
}
