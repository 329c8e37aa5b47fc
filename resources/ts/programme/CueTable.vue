<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type CueList } from '@/api/show'
import type { Cue } from '@/api/showDocument'
import { useEngine } from '@/live/engine'
import type { ListLife } from '@/live/messages'
import CueCell from './CueCell.vue'
import { between, changed, copied, followOf, followText, moved, renumbered, sorted, timecodePort } from './cues'
import { leftOf, shareOf } from './live'

/** The cues of a list as a board: one line each; the one that runs fills as it fades, the next one stands out. Edited by keyboard. */
const props = defineProps<{ list: CueList; life?: ListLife; now: number; open?: string }>()
const emit = defineEmits<{ open: [number: string]; failed: [words: string] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const cues = computed(() => props.list.cues ?? [])
const picked = ref<number[]>([])
const table = ref<HTMLElement | null>(null)
watch(
  () => props.list.id,
  () => {
    picked.value = []
  },
)
const isLive = (cue: Cue) => props.life?.state !== 'released' && props.life?.cue === cue.number
const isNext = (cue: Cue) => props.life?.next === cue.number && (props.life.state !== 'released' || props.life.isLoaded)
const share = computed(() => shareOf(props.life?.from ?? null, props.life?.until ?? null, props.now))
function stateOf(cue: Cue): string {
  if (isLive(cue)) return props.life?.state === 'paused' ? 'paused' : leftOf(props.life?.until ?? null, props.now) || 'live'
  if (!isNext(cue)) return ''
  const left = leftOf(props.life?.follows ?? null, props.now)
  return props.life?.isLoaded ? 'loaded' : left ? `in ${left}` : 'next'
}
async function store(now: Cue[] | null, why = 'There is no number free in between: renumber first.'): Promise<void> {
  if (now === null) return emit('failed', why)
  emit('failed', '')
  try {
    await show.replace('lists', props.list.id, { ...props.list, cues: sorted(now) })
  } catch (error) {
    emit('failed', (error as Error).message)
  }
}
/** Those that are selected, where this one is among them; else this one. */
const meant = (at: number) => (picked.value.includes(at) ? picked.value : [at])
const seconds = (text: string) => (text.trim() === '' ? undefined : Number(text))
function put(at: number, field: keyof Cue, text: string): void {
  const value = field === 'up' || field === 'down' || field === 'delay' ? seconds(text) : text.trim()
  if (typeof value === 'number' && Number.isNaN(value)) return emit('failed', `"${text}" is no time: use seconds, like 2.5.`)
  const places = field === 'number' || field === 'name' ? [at] : meant(at)
  void store(changed(cues.value, places, field, value))
}
function follow(at: number, text: string): void {
  const value = followOf(text, timecodePort(cues.value, show.ports))
  if (value === null)
    return emit(
      'failed',
      `"${text}": use seconds after go, like 4; c for when complete; c+2 for two seconds later; b4 for four beats; @01:00:00:00 and a port's id for its time code.`,
    )
  void store(changed(cues.value, meant(at), 'follow', value))
}
async function insert(at: number): Promise<void> {
  const number = between(cues.value[at]?.number, cues.value[at + 1]?.number)
  await store(number === null ? null : [...cues.value, { number }])
  await focus(at + 1, 'name')
}
async function focus(at: number, field: string): Promise<void> {
  await nextTick()
  table.value?.querySelector<HTMLInputElement>(`[data-cell="${at} ${field}"]`)?.focus()
}
function pick(event: MouseEvent, at: number): void {
  const first = picked.value[0]
  if (event.shiftKey && first !== undefined)
    picked.value = cues.value.map((_, i) => i).filter((i) => i >= Math.min(first, at) && i <= Math.max(first, at))
  else picked.value = picked.value.includes(at) ? picked.value.filter((i) => i !== at) : [...picked.value, at]
}
const remove = () => {
  const gone = picked.value
  picked.value = []
  void store(cues.value.filter((_, i) => !gone.includes(i)))
}
const move = (by: -1 | 1) => {
  const at = picked.value[0] ?? 0
  const to = Math.min(cues.value.length - 1, Math.max(0, at + by))
  if (to === at) return
  picked.value = [to]
  void store(moved(cues.value, at, to))
}
function key(event: KeyboardEvent, at: number, field: string): void {
  const by = { ArrowUp: -1, ArrowDown: 1, Enter: 1 }[event.key]
  if (event.key === 'Enter' && event.ctrlKey) void insert(at)
  else if (by !== undefined) void focus(at + by, field)
  else return
  event.preventDefault()
}
const lookName = (id: string | undefined) => show.looks.find((one) => one.id === id)?.name ?? ''
const time = (value: number | undefined) => (value === undefined ? '' : String(value))
</script>

<template>
  <div ref="table" class="board" role="table" :aria-label="`Cues of ${list.name}`">
    <div class="line head small" role="row">
      <span v-for="head in ['', 'No.', 'Cue', 'Look', 'Up', 'Down', 'Next goes', '']" :key="head" role="columnheader">{{
        head
      }}</span>
    </div>
    <div
      v-for="(cue, i) in cues"
      :key="cue.number"
      class="line"
      role="row"
      :class="{ live: isLive(cue), next: isNext(cue), picked: picked.includes(i), open: open === cue.number }"
      :data-cue="cue.number"
    >
      <span v-if="isLive(cue)" class="filled" :style="{ width: `${share * 100}%` }" />
      <span role="cell" class="figures small state">{{ stateOf(cue) }}</span>
      <CueCell
        :value="cue.number"
        :label="`Number of cue ${cue.number}`"
        :cell="`${i} number`"
        figures
        @put="put(i, 'number', $event)"
        @key="key($event, i, 'number')"
      />
      <CueCell
        :value="cue.name ?? ''"
        :label="`Name of cue ${cue.number}`"
        :cell="`${i} name`"
        @put="put(i, 'name', $event)"
        @key="key($event, i, 'name')"
      />
      <span role="cell" class="look">
        <select
          v-if="session.mayBuild"
          :value="cue.look ?? ''"
          :aria-label="`Look of cue ${cue.number}`"
          @change="put(i, 'look', ($event.target as HTMLSelectElement).value)"
        >
          <option value="">{{ (cue.values ?? []).length ? `${(cue.values ?? []).length} values` : 'none' }}</option>
          <option v-for="one in show.looks" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
        <template v-else>{{ lookName(cue.look) }}</template>
      </span>
      <CueCell
        v-for="field in ['up', 'down'] as const"
        :key="field"
        :value="time(cue[field])"
        :label="`${field === 'up' ? 'Up' : 'Down'} time of cue ${cue.number}`"
        :cell="`${i} ${field}`"
        :usual="field === 'down' ? time(cue.up) : ''"
        figures
        right
        @put="put(i, field, $event)"
        @key="key($event, i, field)"
      />
      <CueCell
        :value="followText(cue.follow)"
        :label="`What follows cue ${cue.number}`"
        :cell="`${i} follow`"
        usual="by hand"
        figures
        right
        @put="follow(i, $event)"
        @key="key($event, i, 'follow')"
      />
      <span role="cell" class="ends">
        <button
          v-if="session.mayOperate"
          type="button"
          class="small-button"
          :title="`Go to cue ${cue.number}`"
          @click="engine.setPoint(`list:${list.id}`, cue.number)"
        >
          Go
        </button>
        <template v-if="session.mayBuild">
          <input
            type="checkbox"
            :checked="picked.includes(i)"
            :aria-label="`Select cue ${cue.number}`"
            @click="pick($event, i)"
          />
          <button type="button" class="small-button" :aria-label="`More of cue ${cue.number}`" @click="emit('open', cue.number)">
            More
          </button>
        </template>
      </span>
      <span v-if="cue.note" class="small quiet note">{{ cue.note }}</span>
    </div>
    <div v-if="session.mayBuild" class="deeds">
      <button type="button" class="small-button" @click="insert(picked[0] ?? cues.length - 1)">
        {{ picked.length === 1 ? `Insert after ${cues[picked[0] ?? 0]?.number}` : 'Add a cue' }}
      </button>
      <template v-if="picked.length">
        <button type="button" class="small-button" @click="store(copied(cues, picked))">Copy {{ picked.length }}</button>
        <template v-if="picked.length === 1">
          <button type="button" class="small-button" @click="move(-1)">Move up</button>
          <button type="button" class="small-button" @click="move(1)">Move down</button>
        </template>
        <button type="button" class="small-button" @click="remove">Delete {{ picked.length }}</button>
      </template>
      <button type="button" class="small-button" :disabled="cues.length === 0" @click="store(renumbered(cues))">
        Renumber from 1
      </button>
      <span class="quiet small"
        >Enter: next line. Ctrl+Enter: a new cue below. What is typed in one of several selected is for all of them.</span
      >
    </div>
  </div>
</template>

<style scoped src="./cueTable.css"></style>
