import { ref, type Ref } from 'vue'
import { call } from '@/api/client'
import type { KindPart, ListName, PartDescription } from '@/api/show'
import type { ListDescription } from '@/lists/columns'

/** What the server's classes say of the parts of a show, list by list, and of every kind of part. */
export interface Descriptions {
  lists: Record<ListName, ListDescription>
  kinds: Record<string, PartDescription[]>
}

const known: Ref<Descriptions | null> = ref(null)
let asked: Promise<void> | null = null

/** Asked for once; null until the answer is there. */
export function useDescriptions(): Ref<Descriptions | null> {
  asked ??= call<Descriptions>('GET', 'kinds').then(
    (answer) => {
      known.value = answer
    },
    () => {
      asked = null
    },
  )
  return known
}

/** A new part of a kind, with what its fields are where nobody says otherwise. */
export function fresh(kind: PartDescription): KindPart {
  const part: KindPart = { kind: kind.kind }
  for (const field of kind.fields) {
    if (field.type === 'parts') part[field.name] = []
    else if (field.default !== null && field.default !== '') part[field.name] = field.default
  }
  return part
}
