<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type ListName } from '@/api/show'
import type { Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useDescriptions } from '@/kinds/kinds'
import { asClipboardText, fromClipboardText } from './clipboard'
import { cellOf } from './columns'
import ListBody from './ListBody.vue'
import ListHead from './ListHead.vue'
import { chosenRows, itemsOf, moveTarget, selected, statesOf, type Row } from './rows'
import SelectionBar from './SelectionBar.vue'
import TableIn from './TableIn.vue'

/** A list of the show: searched, filtered, ordered, folded; several parts selected and changed at once; in and out as a table. */
const props = defineProps<{ list: ListName; rows: Row[]; chosen?: string; what: string; states?: string }>()
const emit = defineEmits<{ choose: [id: string] }>()
const show = useShow()
const session = useSession()
const descriptions = useDescriptions()
const description = computed(() => descriptions.value?.lists[props.list])
const search = ref('')
const state = ref('')
const order = ref('')
const folded = ref(new Set<string>())
const picked = ref(new Set<string>())
const began = ref<string | null>(null)
const takesTable = ref(false)
const { failed, attempt } = useAttempt()

const parts = computed(
  () => new Map(((show.document?.[props.list] as ({ id: string } & Values)[] | undefined) ?? []).map((part) => [part.id, part])),
)
const valueOf = computed(() => {
  const told = description.value
  if (order.value === '' || !told) return null
  return (row: Row) => {
    const part = parts.value.get(row.id)
    return part ? cellOf(told, part, order.value) : ''
  }
})
const shown = computed(() => chosenRows(props.rows, { search: search.value, state: state.value, value: valueOf.value }))
const items = computed(() => itemsOf(shown.value, folded.value))
const isAsWritten = computed(() => order.value === '' && shown.value.length === props.rows.length)
watch(
  () => props.rows,
  (now) => {
    const there = new Set(now.map((row) => row.id))
    const left = [...picked.value].filter((id) => there.has(id))
    if (left.length !== picked.value.size) picked.value = new Set(left)
  },
)

function click(id: string, keys: { shift: boolean; ctrl: boolean }): void {
  if (!keys.shift && !keys.ctrl) {
    picked.value = new Set()
    emit('choose', id)
  } else {
    const isFirst = picked.value.size === 0 && !keys.shift && props.chosen !== undefined && props.chosen !== id
    const before = isFirst ? new Set([props.chosen ?? id]) : picked.value
    picked.value = selected(
      before,
      shown.value.map((row) => row.id),
      id,
      began.value ?? props.chosen ?? null,
      keys,
    )
  }
  if (!keys.shift) began.value = id
}
function fold(group: string): void {
  const now = new Set(folded.value)
  if (!now.delete(group)) now.add(group)
  folded.value = now
}
const all = () => {
  picked.value = new Set(shown.value.map((row) => row.id))
}
const about = () => (picked.value.size > 0 ? [...picked.value] : props.chosen ? [props.chosen] : [])
const partsOf = (ids: string[]) => ids.flatMap((id) => parts.value.get(id) ?? [])
/** In the order of the show, not in that of the clicks. */
const inOrder = (ids: string[]) => props.rows.map((row) => row.id).filter((id) => ids.includes(id))

/** One after the other: what is asked while an answer is awaited is about what is selected then. */
let last: Promise<unknown> = Promise.resolve()
function next(what: () => Promise<void>): void {
  last = last.then(() => attempt(what))
}
const change = (what: { set?: Values; remove?: true; before?: string | null }) =>
  next(async () => {
    await show.batch(props.list, { ids: inOrder(about()), ...what })
  })
const add = (copies: object[]) =>
  next(async () => {
    picked.value = new Set((await show.batch(props.list, { add: copies })).ids)
  })
const move = (by: -1 | 1) =>
  next(async () => {
    const ids = props.rows.map((row) => row.id)
    const before = moveTarget(ids, new Set(about()), by)
    if (before !== undefined) await show.batch(props.list, { ids: inOrder(about()), before })
  })
const root = ref<HTMLElement | null>(null)
/** Copying and pasting are told to the whole page: it is about this list while the keys go to it, and nothing is written there. */
const isMine = () => {
  const active = document.activeElement
  return root.value !== null && root.value.contains(active) && active?.closest('input, textarea, select') === null
}
onMounted(() => {
  document.addEventListener('copy', copied)
  document.addEventListener('paste', pasted)
})
onUnmounted(() => {
  document.removeEventListener('copy', copied)
  document.removeEventListener('paste', pasted)
})
function copied(event: ClipboardEvent): void {
  if (!isMine() || about().length === 0 || (getSelection()?.toString() ?? '') !== '') return
  event.preventDefault()
  event.clipboardData?.setData('text/plain', asClipboardText(props.list, partsOf(inOrder(about()))))
}
function pasted(event: ClipboardEvent): void {
  if (!session.mayBuild || !isMine()) return
  event.preventDefault()
  const found = fromClipboardText(props.list, event.clipboardData?.getData('text/plain') ?? '')
  if (typeof found === 'string') failed.value = found
  else add(found)
}
</script>

<template>
  <section ref="root" class="part-list" :aria-label="what">
    <ListHead
      v-model:search="search"
      v-model:state="state"
      v-model:order="order"
      :list="list"
      :what="what"
      :all="rows.length"
      :shown="shown.length"
      :states="statesOf(rows)"
      :whatever="`All ${props.states ?? 'states'}`"
      :columns="description?.columns ?? []"
      @table="takesTable = true"
      @all="all"
    />
    <TableIn v-if="takesTable" :list="list" @close="takesTable = false" />
    <SelectionBar
      v-if="picked.size > 0 && session.mayBuild"
      :list="list"
      :parts="partsOf(inOrder([...picked]))"
      :movable="isAsWritten"
      @change="change"
      @duplicate="add(partsOf(inOrder(about())))"
      @move="move"
      @clear="picked = new Set()"
    >
      <slot name="deeds" :ids="[...picked]" :clear="() => (picked = new Set())" />
    </SelectionBar>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <p v-if="rows.length > 0 && shown.length === 0" class="quiet none">
      None of {{ rows.length }} {{ what }} has this.
      <button type="button" class="small-button" @click="search = state = ''">Show all</button>
    </p>
    <ListBody
      :items="items"
      :chosen="chosen"
      :picked="picked"
      @click="click"
      @fold="fold"
      @all="all"
      @clear="picked = new Set()"
      @move="move"
    >
      <template #row="{ row }">
        <slot name="row" :row="row" />
        <span v-if="valueOf" class="ordered figures">{{ valueOf(row) }}</span>
      </template>
    </ListBody>
  </section>
</template>

<style scoped>
.part-list {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.none {
  padding: 16px 12px;
}
.ordered {
  margin-left: auto;
  padding-left: 12px;
  font-size: 13px;
  white-space: nowrap;
  color: var(--quiet);
  max-width: 40%;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
