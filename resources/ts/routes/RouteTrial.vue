<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { call, type Fault } from '@/api/client'
import type { Values } from '@/api/show'

/** What a route would do as it stands in the form, with a value of one's choice: each step, and each message with its bytes. */
interface Trial {
  faults: Fault[]
  preview: {
    as: string
    value: number
    steps: { words: string; value: string | null }[]
    lines: { words: string; bytes: string }[]
    names: string[]
    unknown: string[]
  } | null
}
const props = defineProps<{ route: Values }>()
const WAIT = 250
const value = ref('')
const trial = ref<Trial | null>(null)
const asked = computed(() => JSON.stringify({ route: props.route, value: value.value === '' ? null : Number(value.value) }))
let timer = 0
watch(
  asked,
  (now) => {
    clearTimeout(timer)
    timer = window.setTimeout(async () => {
      const found = await call<Trial>('POST', 'show/routes/preview', JSON.parse(now)).catch(() => null)
      if (now === asked.value) trial.value = found
    }, WAIT)
  },
  { immediate: true },
)
onUnmounted(() => clearTimeout(timer))
const bytes = (hex: string) => (hex.match(/../g) ?? []).join(' ')
const gap = (name: string) => `{${name}}`
/** Counted as people do: "do, 1, point". */
const at = (path: string) =>
  path.replace(/\/(\d+)/g, (_, number) => ` ${Number(number) + 1}`).replaceAll('/', ', ') || 'the route'
</script>

<template>
  <section v-if="trial" class="trial" aria-label="What it would do">
    <h3>What it would do</h3>
    <ul v-if="trial.faults.length" class="small quiet" aria-label="Missing or wrong">
      <li v-for="one in trial.faults.slice(0, 6)" :key="one.path + one.problem">
        {{ at(one.path) }}: {{ one.problem }}. {{ one.allowed }}
      </li>
    </ul>
    <template v-else-if="trial.preview">
      <p class="small">
        As if <span class="figures">{{ trial.preview.as }}</span> came, with the value
        <input
          v-model="value"
          type="number"
          step="any"
          :placeholder="String(trial.preview.value)"
          aria-label="Value to try with"
        />
      </p>
      <ol class="small quiet">
        <li v-for="(step, i) in trial.preview.steps" :key="i">
          {{ step.words }}: <span class="figures">{{ step.value ?? 'nothing passes' }}</span>
        </li>
      </ol>
      <ol class="lines">
        <li v-for="(line, i) in trial.preview.lines" :key="i">
          {{ line.words }}
          <code v-if="line.bytes" class="figures small">{{ bytes(line.bytes) }}</code>
        </li>
      </ol>
      <p v-if="trial.preview.lines.length === 0" class="small">Nothing.</p>
      <p v-for="name in trial.preview.unknown" :key="name" class="wrong small" role="status">
        Nothing fills {{ gap(name) }} when this comes. Known are: {{ trial.preview.names.map(gap).join(', ') }}.
      </p>
    </template>
  </section>
</template>

<style scoped>
.trial {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.trial input {
  width: 110px;
  background: var(--sunk);
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  padding: 2px 6px;
}
.lines {
  padding-left: 20px;
}
code {
  display: block;
  overflow-wrap: anywhere;
}
</style>
