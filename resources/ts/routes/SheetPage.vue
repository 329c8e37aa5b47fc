<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { call, Refused, type Fault } from '@/api/client'
import { useSession } from '@/api/session'
import { useShow, type TableCounts } from '@/api/show'
import NotesPanel from './NotesPanel.vue'
import NotesSheet from './NotesSheet.vue'

/** The list of triggers that two people agree on: to look at, to print, for a spreadsheet, and back from it. */
const show = useShow()
const session = useSession()
const columns = ref<string[]>([])
const rows = ref<string[][]>([])
const text = ref('')
const faults = ref<Fault[]>([])
const failed = ref('')
const counts = ref<TableCounts | null>(null)
const takes = ref(false)
watch(
  () => show.data?.revision,
  async () => {
    const sheet = await call<{ columns: string[]; rows: string[][] }>('GET', 'show/routes/sheet?json=1')
    columns.value = sheet.columns
    rows.value = sheet.rows
  },
  { immediate: true },
)
/** Columns that say anything; a sheet of notes has no addresses. */
const shown = computed(() =>
  columns.value.flatMap((_, i) => (rows.value.some((row) => row[i]) && columns.value[i] !== 'id' ? [i] : [])),
)
const print = () => window.print()
async function asked<T>(what: () => Promise<T>): Promise<T | null> {
  faults.value = []
  failed.value = ''
  try {
    return await what()
  } catch (error) {
    failed.value = (error as Error).message
    if (error instanceof Refused) faults.value = error.faults
    return null
  }
}
async function look(now: string): Promise<void> {
  text.value = now
  counts.value = now.trim() === '' ? null : await asked(() => show.trySheet(now))
}
async function read(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) await look(await file.text())
}
async function take(): Promise<void> {
  if ((await asked(() => show.takeSheet(text.value))) === null) return
  takes.value = false
  text.value = ''
  counts.value = null
}
</script>

<template>
  <div class="page sheet">
    <div class="page-head no-print">
      <h1>Trigger sheet</h1>
      <span class="spring" />
      <v-btn to="/routes" variant="text">All routes</v-btn>
      <v-btn v-if="session.mayBuild" :aria-pressed="takes" @click="takes = !takes">Read a sheet</v-btn>
      <v-btn href="/api/show/routes/sheet">Save as CSV</v-btn>
      <v-btn variant="flat" color="primary" @click="print">Print</v-btn>
    </div>
    <section v-if="takes" class="panel no-print" aria-label="Read a sheet">
      <p class="quiet small">
        The first row names the columns, as in a saved sheet. A row with a known id changes that route, one without is new. What a
        sheet has no column for stays as it is; "more" means that a route does more than fits on a line.
      </p>
      <p><input type="file" accept=".csv,text/csv,text/plain" aria-label="File" @change="read" /></p>
      <textarea
        :value="text"
        rows="5"
        aria-label="Sheet as text"
        placeholder="Or put it in here"
        @change="look(($event.target as HTMLTextAreaElement).value)"
      />
      <div v-if="failed" class="wrong small" role="alert">
        <ul v-if="faults.length">
          <li v-for="one in faults" :key="one.path + one.problem">{{ one.path }}: {{ one.problem }}. {{ one.allowed }}</li>
        </ul>
        <p v-else>{{ failed }}</p>
      </div>
      <p v-else-if="counts" role="status">
        {{ counts.changed }} would change, {{ counts.added }} would be new, {{ counts.same }} stay as they are.
      </p>
      <v-btn color="primary" variant="flat" :disabled="!counts || Boolean(failed)" @click="take">Take it in</v-btn>
    </section>
    <p class="small">
      {{ show.document?.name }}, revision {{ show.data?.revision }}. {{ rows.length }} routes. Middle C, note 60, is C{{
        show.document?.middleC ?? 4
      }}.
    </p>
    <div class="wide" role="region" aria-label="Triggers" tabindex="0">
      <table>
        <thead>
          <tr>
            <th v-for="i in shown" :key="i" scope="col">{{ columns[i] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row[0]">
            <td v-for="i in shown" :key="i" class="figures">{{ row[i] }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <NotesPanel class="no-print notes" />
    <NotesSheet />
  </div>
</template>

<style scoped>
.panel {
  max-width: 760px;
  margin-bottom: 16px;
}
textarea {
  width: 100%;
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: 13px var(--mono, monospace);
  padding: 6px;
}
.notes {
  margin-top: 20px;
  max-width: 560px;
}
.wide {
  overflow: auto;
}
table {
  border-collapse: collapse;
  font-size: 13px;
}
th,
td {
  text-align: left;
  padding: 4px 12px 4px 0;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
}
@media print {
  .no-print {
    display: none;
  }
}
</style>
