<script setup lang="ts">
import { ref } from 'vue'
import { useShow, type Port } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { spellNumber } from '@/components/words'
import type { LinkDraft } from './draft'
import { readNumber, readRuns } from './numbers'

const props = defineProps<{
  protocol: Port['protocol']
  label: string
  ranked?: boolean
  numberFault?: (index: number) => string | undefined
}>()
const links = defineModel<LinkDraft[]>({ required: true })
const show = useShow()
const numberLabel: Record<string, string> = { 'art-net': 'Port-address, from 0', sacn: 'sACN universe, from 1' }
const { failed, attempt } = useAttempt()
const runs = ref('')
const onLine = () => props.protocol === 'dmx-line'
function nextNumber(): number {
  const first = props.protocol === 'art-net' ? 0 : 1
  const last = links.value.at(-1)
  return onLine() ? 1 : last ? Number(readNumber(last.number)) + 1 || first : first
}
const spelled = (link: LinkDraft) => {
  const number = readNumber(link.number)
  return typeof number === 'number'
    ? `Net : Sub-Net : Universe ${spellNumber(props.protocol, number).split(' ')[0]}; number ${number + 1} on a desk that counts from 1`
    : 'Write 5, or Net:Sub-Net:Universe like 0:0:5.'
}

function add(): void {
  const universe = (show.universes.find((one) => !links.value.some((link) => link.universe === one.id)) ?? show.universes[0])?.id
  append([{ number: nextNumber(), universe: universe ?? '' }])
}
const append = (more: LinkDraft[]) => {
  links.value = [...links.value, ...more.map((link, i) => ({ rank: links.value.length + 1 + i, ...link }))]
}
/** A new universe with the first free name, and its id. */
async function newUniverse(): Promise<string> {
  const taken = show.universes.map((one) => one.name)
  let count = taken.length + 1
  while (taken.includes(`Universe ${count}`)) count++
  return (await show.add('universes', { name: `Universe ${count}`, merge: 'htp' })).id ?? ''
}
/** A port of a new show has nowhere to send its levels yet: universes are made without leaving the form. */
const make = () =>
  attempt(async () => {
    append([{ universe: await newUniverse(), number: nextNumber() }])
  })
/** A range at once: into universes that this port does not use yet, in their order, and into new ones when they run out. */
const addRuns = () =>
  attempt(async () => {
    const numbers = readRuns(runs.value)
    if (numbers === null) throw new Error('Write numbers and ranges like 1-8 or 1, 3, 5-7; at most 512 of them.')
    const free = show.universes.map((one) => one.id).filter((id) => !links.value.some((link) => link.universe === id))
    const more: LinkDraft[] = []
    for (const number of numbers) more.push({ number, universe: free.shift() ?? (await newUniverse()) })
    append(more)
    runs.value = ''
  })
const mayAdd = () => !onLine() || links.value.length === 0
</script>

<template>
  <div class="wide">
    <h3>{{ label }}</h3>
    <div v-for="(link, i) in links" :key="i" class="link" :class="{ ranked }">
      <v-text-field v-if="!onLine()" v-model="link.number" :label="numberLabel[protocol]" :error-messages="numberFault?.(i)" />
      <v-select v-model="link.universe" :items="show.universes" item-title="name" item-value="id" label="Universe" />
      <v-text-field v-if="ranked" v-model.number="link.rank" type="number" label="Rank" />
      <v-btn
        variant="text"
        size="small"
        :aria-label="`Take universe ${i + 1} out`"
        @click="links = links.filter((_, k) => k !== i)"
        >Remove</v-btn
      >
      <p v-if="protocol === 'art-net'" class="quiet spelled">{{ spelled(link) }}</p>
    </div>
    <p v-if="ranked" class="quiet small">The lowest ranks go first; what finds no room is shown as not sent.</p>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div v-if="mayAdd()" class="actions">
      <v-btn v-if="show.universes.length > 0" size="small" @click="add()">Add a universe</v-btn>
      <v-btn size="small" @click="make()">Make a new universe</v-btn>
    </div>
    <div v-if="!onLine()" class="runs">
      <v-text-field v-model="runs" label="Several at once, like 1-8" @keydown.enter.prevent="addRuns" />
      <v-btn size="small" :disabled="runs.trim() === ''" @click="addRuns">Add these</v-btn>
    </div>
  </div>
</template>

<style scoped>
.link {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) auto;
  gap: 6px;
  margin: 6px 0 8px;
  align-items: start;
}
.link.ranked {
  grid-template-columns: 116px minmax(0, 1fr) 64px auto;
}
.link .v-btn {
  min-width: 0;
  padding: 0 6px;
}
.spelled {
  grid-column: 1 / -1;
  font-size: 13px;
}
.runs {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: center;
  margin-top: 10px;
}
</style>
