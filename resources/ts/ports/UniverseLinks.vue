<script setup lang="ts">
import { ref } from 'vue'
import { useShow, type Port } from '@/api/show'
import { spellNumber } from '@/components/words'
import type { LinkDraft } from './draft'

const props = defineProps<{ protocol: Port['protocol'], label: string, numberFault?: (index: number) => string | undefined }>()
const links = defineModel<LinkDraft[]>({ required: true })
const show = useShow()
const numberLabel = { 'art-net': 'Port-address, from 0', sacn: 'sACN universe, from 1', osc: '', 'dmx-line': 'Line' }

function add(id?: string): void {
  const last = links.value.at(-1)
  const first = props.protocol === 'art-net' ? 0 : 1
  const universe = id ?? (show.universes.find((one) => !links.value.some((link) => link.universe === one.id)) ?? show.universes[0])?.id
  links.value = [...links.value, { number: props.protocol === 'dmx-line' ? 1 : last ? Number(last.number) + 1 : first, universe: universe ?? '' }]
}
const failed = ref('')
/** A port of a new show has nowhere to send its levels yet: a universe is made without leaving the form. */
async function make(): Promise<void> {
  failed.value = ''
  try {
    const taken = show.universes.map((one) => one.name)
    let number = taken.length + 1
    while (taken.includes(`Universe ${number}`)) number++
    add((await show.add('universes', { name: `Universe ${number}`, merge: 'htp' })).id)
  } catch (error) {
    failed.value = (error as Error).message
  }
}
const mayAdd = () => props.protocol !== 'dmx-line' || links.value.length === 0
</script>

<template>
  <div class="wide">
    <h3>{{ label }}</h3>
    <div v-for="(link, i) in links" :key="i" class="link">
      <v-text-field v-if="protocol !== 'dmx-line'" v-model.number="link.number" type="number" :label="numberLabel[protocol]" :error-messages="numberFault?.(i)" />
      <v-select v-model="link.universe" :items="show.universes" item-title="name" item-value="id" label="Universe" />
      <v-btn variant="text" size="small" :aria-label="`Take universe ${i + 1} out`" @click="links = links.filter((_, k) => k !== i)">Remove</v-btn>
      <p v-if="protocol === 'art-net'" class="quiet spelled">Net : Sub-Net : Universe {{ spellNumber(protocol, Number(link.number)).split(' ')[0] }}; number {{ Number(link.number) + 1 }} on a desk that counts from 1</p>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div v-if="mayAdd()" class="actions">
      <v-btn v-if="show.universes.length > 0" size="small" @click="add()">Add a universe</v-btn>
      <v-btn size="small" @click="make">Make a new universe</v-btn>
    </div>
  </div>
</template>

<style scoped>
.link { display: grid; grid-template-columns: 156px minmax(0, 1fr) auto; gap: 6px; margin: 6px 0 8px; align-items: start; }
.link .v-btn { min-width: 0; padding: 0 6px; }
.spelled { grid-column: 1 / -1; font-size: 13px; }
</style>
