<script setup lang="ts">
import { ref, watch } from 'vue'
import { Refused, type Fault } from '@/api/client'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { spellAgo } from '@/components/words'
import { useEngine } from '@/live/engine'
import ShelfPanel from './ShelfPanel.vue'
import ValuesPanel from './ValuesPanel.vue'

const show = useShow()
const session = useSession()
const engine = useEngine()
const name = ref('')
const octaves = [3, 4, 5].map((value) => ({ value, title: `C${value} (note 0 is C${value - 5}, note 48 is C${value - 1})` }))
const faults = ref<Fault[]>([])
const failed = ref('')
const chosen = ref<{ name: string; text: string } | null>(null)
watch(
  () => show.document?.name,
  (now) => {
    name.value = now ?? ''
  },
  { immediate: true },
)

async function attempt(what: () => Promise<unknown>): Promise<boolean> {
  faults.value = []
  failed.value = ''
  try {
    await what()
    return true
  } catch (error) {
    failed.value = (error as Error).message
    if (error instanceof Refused) faults.value = error.faults
    return false
  }
}
async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (file) chosen.value = { name: file.name, text: await file.text() }
  input.value = ''
}
/** Nothing in it but a name: where every rig begins. */
function beginNew(): void {
  chosen.value = { name: 'an empty show', text: JSON.stringify({ format: 'nimble-junction/show', version: 1, name: 'New show' }) }
}
async function load(): Promise<void> {
  const file = chosen.value
  chosen.value = null
  if (file && (await attempt(() => show.importJson(file.text))))
    show.said = `It is ${file.name} now. Ctrl+Z brings the old one back.`
}
</script>

<template>
  <div class="page">
    <div class="page-head"><h1>Show</h1></div>
    <div class="columns">
      <ShelfPanel />
      <section class="panel">
        <h2>Name</h2>
        <form class="line" @submit.prevent="attempt(() => show.settle({ name }))">
          <v-text-field v-model="name" label="Name of the show" :readonly="!session.mayBuild" maxlength="120" />
          <v-btn type="submit" :disabled="!session.mayBuild || name === show.document?.name">Rename</v-btn>
        </form>
        <p class="quiet">
          {{ show.universes.length }} universes, {{ show.ports.length }} ports, {{ show.routes.length }} routes.
        </p>
      </section>
      <section class="panel">
        <h2>Names of notes</h2>
        <p>
          Makers differ in the octave of a MIDI note. The number always stands beside the name: it is what both ends agree on.
        </p>
        <v-select
          :model-value="show.document?.middleC ?? 4"
          :items="octaves"
          label="Note 60 is called"
          class="octave"
          :disabled="!session.mayBuild"
          @update:model-value="(middleC: number) => attempt(() => show.settle({ middleC }))"
        />
      </section>
      <section class="panel">
        <h2>Export</h2>
        <p>The whole show in one JSON document, with a published schema. The engine runs from it alone on a spare computer.</p>
        <div class="actions"><v-btn href="/api/show/export" download>Export the show</v-btn></div>
      </section>
      <section class="panel">
        <h2>Import, or begin anew</h2>
        <p>
          A show document, or an empty show, replaces the current one. What is wrong with it is listed, and then nothing changes.
        </p>
        <div class="actions">
          <label class="file" :class="{ disabled: !session.mayBuild }"
            >Choose a show document<input
              type="file"
              accept=".json,application/json"
              :disabled="!session.mayBuild"
              @change="choose"
          /></label>
          <v-btn :disabled="!session.mayBuild" @click="beginNew">Begin an empty show</v-btn>
        </div>
        <div v-if="chosen" class="ask">
          <p>Replace "{{ show.document?.name }}" by {{ chosen.name }}?</p>
          <div class="actions">
            <v-btn variant="flat" color="primary" @click="load">Replace</v-btn
            ><v-btn @click="chosen = null">Keep the current show</v-btn>
          </div>
        </div>
        <div v-if="failed" class="wrong" role="alert">
          <p>Nothing has changed.</p>
          <ul v-if="faults.length">
            <li v-for="(fault, i) in faults" :key="i">
              <code class="figures">{{ fault.path || 'document' }}</code>: {{ fault.problem }}. {{ fault.allowed }}
            </li>
          </ul>
          <p v-else>{{ failed }}</p>
        </div>
      </section>
      <section class="panel">
        <h2>Undo</h2>
        <p v-if="show.data?.undo">The last edit: {{ show.data.undo }}, by {{ show.data.undoBy }}.</p>
        <p v-else class="quiet">No edit to undo.</p>
        <p v-if="show.data?.redo">Undone last: {{ show.data.redo }}, by {{ show.data.redoBy }}.</p>
        <div class="actions">
          <v-btn :disabled="!session.mayBuild || !show.data?.undo" @click="attempt(() => show.undo())">Undo it</v-btn>
          <v-btn v-if="show.data?.redo" :disabled="!session.mayBuild" @click="attempt(() => show.redo())">Do it again</v-btn>
          <v-btn to="/history">History of all edits</v-btn>
        </div>
      </section>
      <ValuesPanel />
      <section class="panel">
        <h2>Engine</h2>
        <dl v-if="engine.state === 'open' && engine.engine" class="facts">
          <dt>Started</dt>
          <dd>{{ spellAgo(engine.since(engine.engine.startedAt)) }}</dd>
          <dt>With</dt>
          <dd>{{ engine.engine.runs }}</dd>
          <dt>Open files and sockets</dt>
          <dd class="figures">{{ engine.engine.descriptors }} of 980</dd>
        </dl>
        <p v-else class="quiet">Not known: the engine does not answer.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(380px, 100%), 1fr));
  gap: 24px;
  align-items: start;
}
.panel h2 {
  margin-bottom: 8px;
}
.line {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  margin-bottom: 8px;
}
.file {
  border: 1px solid currentColor;
  padding: 7px 16px;
  font-weight: 600;
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--held);
}
.file.disabled {
  opacity: 0.5;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.ask,
.octave {
  margin-top: 16px;
}
.facts {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 4px 12px;
}
.facts dt {
  color: var(--quiet);
}
.wrong ul {
  padding-left: 20px;
}
</style>
