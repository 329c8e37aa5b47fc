<script setup lang="ts">
import { computed, ref } from 'vue'
import { call } from '@/api/client'
import { useShow } from '@/api/show'
import { spellRefusal } from '@/components/attempt'
import { useEditing } from './editing'

/** A MIDI file comes onto the timeline, or is made of it. */
const emit = defineEmits<{ said: [words: string] }>()
const editing = useEditing()
const show = useShow()
const as = ref<'triggers' | 'notes'>('triggers')
const field = ref<HTMLInputElement | null>(null)
/** Whether its tempos and bars become those of the timeline: nobody having said, only where it has none. */
const asked = ref<boolean | null>(null)
const keepsTempo = computed({
  get: () => asked.value ?? (editing.timeline.value?.changes ?? []).length === 0,
  set: (keeps) => (asked.value = keeps),
})
const ports = computed(() => show.ports.filter((one) => one.protocol === 'midi' && 'send' in one && one.send))
const port = ref('')
const to = computed(() => port.value || ports.value[0]?.id || '')
function choose(what: 'triggers' | 'notes'): void {
  as.value = what
  field.value?.click()
}
interface Taken {
  tracks: number
  triggers: number
  controls: number
  left: number
  tempos: number
}
const many = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`
function words(taken: Taken): string {
  const notes = `${many(taken.triggers, 'note', 'notes')} ${as.value === 'notes' ? 'came' : 'became triggers'}`
  return [
    `${notes}, on ${many(taken.tracks, 'track', 'tracks')}`,
    taken.controls > 0 ? `${many(taken.controls, 'controller', 'controllers')} among them` : '',
    taken.left > 0 ? `${many(taken.left, 'controller', 'controllers')} left out, for they are no triggers` : '',
    taken.tempos > 0 ? `its tempo map has ${many(taken.tempos, 'tempo', 'tempos')}` : '',
  ]
    .filter((one) => one)
    .join('; ')
    .concat('.')
}
/** Its notes become triggers, named as it was agreed; or they are played again, with what controllers say. */
async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  emit('said', '')
  const query = `as=${as.value}${as.value === 'notes' && to.value ? `&port=${to.value}` : ''}${keepsTempo.value ? '&tempo=1' : ''}`
  try {
    emit('said', words((await show.take(call('POST', `show/timelines/${editing.id}/midi?${query}`, file))) as unknown as Taken))
    editing.fit()
  } catch (refused) {
    editing.failed.value = spellRefusal(refused)
  }
}
</script>

<template>
  <v-menu :close-on-content-click="false">
    <template #activator="{ props: menu }"><button type="button" class="small-button" v-bind="menu">MIDI file</button></template>
    <div class="panel menu" role="dialog" aria-label="MIDI files">
      <label class="small"><input v-model="keepsTempo" type="checkbox" /> with its tempos and bars</label>
      <button type="button" class="small-button" @click="choose('triggers')">Take one in: its notes become triggers</button>
      <button type="button" class="small-button" @click="choose('notes')">Take one in: its notes are played again</button>
      <label v-if="ports.length > 0" class="small"
        >at
        <select class="inline-field" :value="to" @change="port = ($event.target as HTMLSelectElement).value">
          <option v-for="one in ports" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <a class="small-button" :href="`/api/show/timelines/${editing.id}/midi`" download>Make one of this timeline</a>
    </div>
  </v-menu>
  <input
    ref="field"
    type="file"
    accept=".mid,.midi,audio/midi"
    class="d-sr-only"
    tabindex="-1"
    aria-label="MIDI file"
    @change="take"
  />
</template>

<style scoped>
.menu {
  display: grid;
  gap: 6px;
}
.menu a {
  color: inherit;
  text-decoration: none;
}
</style>
