<script setup lang="ts">
import { ref, watch } from 'vue'
import { useEngine } from '@/live/engine'
import type { Answers } from '@/live/messages'

/** A line is typed: what the desk takes it for is seen as it is typed, and nothing leaves that it does not take. */
const props = defineProps<{ desk: string }>()
const engine = useEngine()
const line = ref('')
const verdict = ref<Partial<Answers['type-line']> | null>(null)
const said = ref('')
let asked = 0
watch(line, async (now) => {
  const mine = ++asked
  if (now.trim() === '') {
    verdict.value = null
    return
  }
  const answer = await engine.typeLine(props.desk, now, false)
  if (mine === asked) verdict.value = answer.ok ? answer : null
})
async function send(): Promise<void> {
  const answer = await engine.typeLine(props.desk, line.value, true)
  said.value = answer.ok ? `Sent: ${answer.sends}` : (answer.error ?? '')
  if (answer.ok) line.value = ''
}
</script>

<template>
  <form aria-label="Line" @submit.prevent="send">
    <div class="row">
      <input
        v-model="line"
        class="inline-field figures"
        aria-label="Type a line"
        placeholder="type a line"
        maxlength="500"
        spellcheck="false"
      />
      <v-btn type="submit" variant="flat" color="primary" :disabled="verdict?.isRight !== true">Send</v-btn>
    </div>
    <p class="small verdict" role="status">
      <template v-if="verdict?.isRight"
        >It is: <strong class="figures">{{ verdict.whole }}</strong></template
      >
      <template v-else-if="verdict">
        {{ verdict.problem }}<template v-if="verdict.allowed">; there may stand {{ verdict.allowed }}</template
        >.
        <button v-if="verdict.meant" type="button" class="small-button" @click="line = verdict.meant ?? ''">
          {{ verdict.meant }}
        </button>
      </template>
      <template v-else>{{ said || 'The first letters of a word are enough.' }}</template>
    </p>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  gap: 8px;
}
.row input {
  flex: 1;
}
.verdict {
  min-height: 40px;
  margin: 6px 0;
}
</style>
