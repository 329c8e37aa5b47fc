<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { call, type Fault } from '@/api/client'
import { useShow, type KindPart } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { halfFilled } from '@/kinds/halfFilled'
import KindParts from '@/kinds/KindParts.vue'
import { fresh, useDescriptions } from '@/kinds/kinds'

/** Something to begin from: it makes ordinary routes, which are read as sentences before they are kept. */
interface Trial {
  routes: object[]
  sentences: string[]
  faults: Fault[]
}
const emit = defineEmits<{ done: [ids: string[]]; cancel: [] }>()
const WAIT = 250
const show = useShow()
const descriptions = useDescriptions()
const start = ref<KindPart[]>([])
const trial = ref<Trial | null>(null)
const { failed, attempt } = useAttempt()
watch(
  descriptions,
  (known) => {
    const first = known?.kinds.starting?.[0]
    if (first && start.value.length === 0) start.value = [fresh(first)]
  },
  { immediate: true },
)
let timer = 0
watch(
  () => JSON.stringify(start.value[0] ?? {}),
  (now) => {
    clearTimeout(timer)
    timer = window.setTimeout(async () => {
      const found = await call<Trial>('POST', 'show/routes/starting', JSON.parse(now)).catch(() => null)
      if (now === JSON.stringify(start.value[0] ?? {})) trial.value = found
    }, WAIT)
  },
  { immediate: true },
)
/** What somebody has typed is not dropped without a question. */
watch(start, (_, before) => {
  if (before.length) halfFilled.value = 'What routes begin from'
})
onUnmounted(() => {
  clearTimeout(timer)
  halfFilled.value = ''
})
const count = computed(() => trial.value?.routes.length ?? 0)
const faultOf = (path: string) => trial.value?.faults.find((one) => one.path === path.replace('start/', ''))
const fault = (path: string) => {
  const found = faultOf(path)
  return found ? `${found.problem}. ${found.allowed}` : undefined
}
async function keep(): Promise<void> {
  await attempt(async () => {
    const answer = await show.batch('routes', { add: trial.value?.routes ?? [] })
    halfFilled.value = ''
    emit('done', answer.ids ?? [])
  })
}
</script>

<template>
  <aside class="panel" aria-label="Begin from something">
    <h2>Begin from something</h2>
    <KindParts v-model="start" of="starting" title="What" :fault="fault" at="start/" alone />
    <ul v-if="trial?.faults.length" class="wrong small" role="status">
      <li v-for="one in trial.faults.slice(0, 4)" :key="one.path + one.problem">
        {{ one.path }}: {{ one.problem }}. {{ one.allowed }}
      </li>
    </ul>
    <template v-else-if="count">
      <h3>It makes {{ count }} {{ count === 1 ? 'route' : 'routes' }}</h3>
      <ol class="small" aria-label="Routes that it makes">
        <li v-for="(sentence, i) in trial?.sentences" :key="i">{{ sentence }}</li>
      </ol>
    </template>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions">
      <v-btn color="primary" variant="flat" :disabled="count === 0" @click="keep">Add {{ count }}</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
    </div>
  </aside>
</template>

<style scoped>
ol {
  padding-left: 22px;
  max-height: 260px;
  overflow: auto;
}
.actions {
  display: flex;
  gap: 8px;
}
</style>
