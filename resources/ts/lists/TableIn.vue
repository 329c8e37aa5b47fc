<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow, type ListName, type TableCounts } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { headsOf } from '@/components/csv'
import { useDescriptions } from '@/kinds/kinds'
import { fromClipboardText } from './clipboard'

/** A table of a spreadsheet, or parts that were copied, are taken into a list: first it is said what that would do. */
const props = defineProps<{ list: ListName }>()
const emit = defineEmits<{ close: [] }>()
const show = useShow()
const text = ref('')
const parts = ref<object[] | null>(null)
const descriptions = useDescriptions()
const known = computed(() => descriptions.value?.lists[props.list].columns ?? [])
/** Columns of somebody else's table that are not called as ours are, and which of ours they are. */
const foreign = computed(() => {
  const ours = known.value.map((one) => one.path)
  const isTable = text.value.trim() !== '' && !text.value.trimStart().startsWith('{')
  return isTable && ours.length > 0 ? headsOf(text.value).filter((head) => head !== '' && !ours.includes(head)) : []
})
const columns = ref<Record<string, string>>({})
const counts = ref<TableCounts | null>(null)
const { failed, attempt } = useAttempt()

async function read(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) await look(await file.text())
}
async function look(now: string): Promise<void> {
  text.value = now
  counts.value = null
  parts.value = null
  failed.value = ''
  if (now.trimStart().startsWith('{')) {
    const found = fromClipboardText(props.list, now)
    if (typeof found === 'string') failed.value = found
    else parts.value = found
  } else if (now.trim() !== '') {
    columns.value = Object.fromEntries(foreign.value.map((head) => [head, guessed(head)]))
    await tryIt()
  }
}
/** A column that is called nearly as one of ours is taken for it, until somebody says otherwise. */
function guessed(head: string): string {
  const letters = (words: string) => words.toLowerCase().replace(/[^a-z]/g, '')
  const asked = letters(head)
  const found = known.value.find((one) => [one.path, one.label].some((name) => letters(name).startsWith(asked)))
  return asked === '' ? '' : (found?.path ?? '')
}
const tryIt = () =>
  attempt(async () => {
    counts.value = null
    counts.value = await show.tryTable(props.list, text.value, columns.value)
  })
function map(head: string, path: string): void {
  columns.value = { ...columns.value, [head]: path }
  void tryIt()
}
async function take(): Promise<void> {
  const added = parts.value
  if (
    await attempt(() => (added ? show.batch(props.list, { add: added }) : show.takeTable(props.list, text.value, columns.value)))
  )
    emit('close')
}
</script>

<template>
  <section class="panel table-in" aria-label="Read a table">
    <h2>Read a table</h2>
    <p class="quiet small">
      The first row names the columns, as in a saved table. A row with a known id changes that one, a row without an id is a new
      one, and an empty cell means the default. What is not in the table stays as it is.
    </p>
    <p><input type="file" accept=".csv,.json,text/csv,text/plain" aria-label="File" @change="read" /></p>
    <textarea
      :value="text"
      rows="4"
      aria-label="Or paste it here"
      placeholder="Or paste it here: a table, or parts that were copied"
      @input="look(($event.target as HTMLTextAreaElement).value)"
    />
    <div v-if="foreign.length" class="foreign" role="group" aria-label="Which columns they are">
      <label v-for="head in foreign" :key="head" class="small"
        >"{{ head }}" is
        <select :value="columns[head]" class="inline-field" @change="map(head, ($event.target as HTMLSelectElement).value)">
          <option value="">not taken</option>
          <option v-for="one in known" :key="one.path" :value="one.path">{{ one.label }}</option>
        </select></label
      >
    </div>
    <p v-if="counts" role="status">
      It adds {{ counts.added }}, changes {{ counts.changed }}, and leaves {{ counts.same }} as they are.
    </p>
    <p v-if="parts" role="status">It adds {{ parts.length }}.</p>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions">
      <v-btn variant="flat" color="primary" :disabled="!counts && !parts" @click="take">Take it in</v-btn
      ><v-btn @click="emit('close')">Cancel</v-btn>
    </div>
  </section>
</template>

<style scoped>
.table-in {
  margin: 8px 0;
}
.foreign {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  margin: 8px 0;
}
input::file-selector-button {
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  padding: 4px 10px;
  margin-right: 10px;
  cursor: pointer;
}
textarea {
  width: 100%;
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font-family: var(--figures);
  font-size: 13px;
  padding: 8px;
  margin-top: 8px;
  resize: vertical;
}
</style>
