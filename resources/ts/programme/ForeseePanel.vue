<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useEngine } from '@/live/engine'
import type { Foreseen, Orders } from '@/live/messages'
import { foreseenLine, foreseenSentence } from './foresee'
import { usePointNames } from './names'

/** What a look, a cue or values would do if they went now: seen, and not sent. */
const props = defineProps<{ what: Orders['foresee']; label?: string }>()
const engine = useEngine()
const { nameOf } = usePointNames()
const seen = ref<Foreseen | null>(null)
const failed = ref('')
const lines = computed(() => (seen.value?.points ?? []).map(foreseenLine))
async function look(): Promise<void> {
  const answer = await engine.foresee(props.what)
  failed.value = answer.ok ? '' : (answer.error ?? '')
  seen.value = answer.ok ? (answer as Foreseen) : null
}
watch(
  () => JSON.stringify(props.what),
  () => {
    seen.value = null
    failed.value = ''
  },
)
</script>

<template>
  <section class="foresee wide" aria-label="What would leave">
    <button type="button" class="small-button" @click="look">
      {{ seen ? 'Look again' : (label ?? 'What would it do now?') }}
    </button>
    <button v-if="seen" type="button" class="small-button" @click="seen = null">Close</button>
    <span v-if="!seen" class="quiet small">Nothing is sent.</span>
    <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
    <p v-if="seen" class="small" role="status">{{ foreseenSentence(seen) }}</p>
    <div v-if="lines.length" class="seen" role="region" aria-label="Values that would leave" tabindex="0">
      <table class="plain small">
        <thead>
          <tr>
            <th scope="col">Point</th>
            <th scope="col">Now</th>
            <th scope="col">Then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in lines" :key="one.point" :title="one.why">
            <td>
              {{ nameOf(one.point) }}
              <div v-if="one.meant" class="quiet">{{ one.meant }}</div>
            </td>
            <td class="figures">{{ one.now }}</td>
            <td class="figures">{{ one.then }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.foresee {
  margin: 12px 0;
}
.small-button + .small-button,
.small-button + .quiet {
  margin-left: 8px;
}
.seen {
  max-height: 320px;
  overflow: auto;
  margin-top: 6px;
}
td {
  vertical-align: top;
}
td.figures {
  white-space: nowrap;
}
</style>
