<script setup lang="ts">
import { ref } from 'vue'
import { call, Refused, type Fault } from '@/api/client'
import { useShow, type TableCounts } from '@/api/show'

/** The cues of a list for a spreadsheet, and back from it: what it would do is said first, what is wrong line by line. */
const props = defineProps<{ list: string }>()
const emit = defineEmits<{ done: [] }>()
const show = useShow()
const text = ref('')
const counts = ref<TableCounts | null>(null)
const faults = ref<Fault[]>([])
const failed = ref('')
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
async function read(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  text.value = await file.text()
  counts.value = await asked(() => call<TableCounts>('POST', `show/lists/${props.list}/sheet?try=1`, text.value))
}
async function take(): Promise<void> {
  const done = await asked(() => show.take(call('POST', `show/lists/${props.list}/sheet`, text.value, show.data?.revision)))
  if (done !== null) emit('done')
}
</script>

<template>
  <section class="sheet" aria-label="Cues as a table">
    <v-btn :href="`/api/show/lists/${list}/sheet`">Save as a table (CSV)</v-btn>
    <label class="small"
      >Read a table <input type="file" accept=".csv,text/csv" aria-label="Read cues from a table" @change="read"
    /></label>
    <p v-if="counts" role="status">
      {{ counts.added }} added, {{ counts.changed }} changed, {{ counts.same }} as they are.
      <v-btn variant="flat" color="primary" @click="take">Take them in</v-btn>
    </p>
    <div v-if="failed" class="wrong" role="alert">
      <p v-for="fault in faults" :key="`${fault.path} ${fault.problem}`">
        {{ fault.path }}: {{ fault.problem }}. {{ fault.allowed }}
      </p>
      <p v-if="faults.length === 0">{{ failed }}</p>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin-top: 12px;
}
</style>
