<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Port } from '@/api/show'
import { spellRefusal } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import { useHeardAddresses } from '@/live/heard'
import type { Finding } from '@/live/types'

/** Two boxes that do not talk: looked at again every second, the fix on a button. */
const props = defineProps<{ port: Port }>()
const emit = defineEmits<{ done: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const other = ref(props.port.send?.to?.[0] ?? '')
const everyHeard = useHeardAddresses()
const findings = ref<Finding[]>([])
const failed = ref('')
const verdict = computed(() => {
  const wrong = findings.value.filter((one) => one.state === 'wrong').length
  if (wrong > 0) return wrong === 1 ? 'One thing is wrong:' : `${wrong} things are wrong:`
  const open = findings.value.filter((one) => one.state === 'open').length
  if (open > 0) return open === 1 ? 'One thing cannot be told yet:' : `${open} things cannot be told yet:`
  return findings.value.length === 0 ? 'Looking…' : 'Both hear each other, as far as one can see from here.'
})

const heard = computed(() => everyHeard.value.filter((one) => one !== other.value).slice(0, 8))
function take(address: string): void {
  other.value = address
  void look()
}

let asking = false
async function look(): Promise<void> {
  if (asking) return
  asking = true
  const answer = await engine.check(props.port.id, other.value.trim())
  asking = false
  failed.value = answer.error
  if (!answer.error) findings.value = answer.findings
}
let timer = 0
onMounted(() => {
  void look()
  timer = window.setInterval(() => void look(), 1000)
})
onUnmounted(() => clearInterval(timer))

/** Puts new values at their paths ("receive/port") and keeps the rest. */
async function mend(changes: Record<string, unknown>): Promise<void> {
  const { id, ...part } = JSON.parse(JSON.stringify(props.port))
  for (const [path, value] of Object.entries(changes)) {
    const steps = path.split('/')
    const last = steps.pop() ?? ''
    steps.reduce((at, step) => (at[step] ??= {}), part)[last] = value
  }
  try {
    await show.replace('ports', id, part)
    await look()
  } catch (error) {
    failed.value = spellRefusal(error)
  }
}
</script>

<template>
  <aside class="panel" aria-label="Check connection">
    <h2>Check connection: {{ port.name }}</h2>
    <p class="quiet small">{{ show.data?.places[port.id] }}</p>
    <v-text-field
      v-model="other"
      label="Address that the other end says it has"
      placeholder="like 192.168.1.20"
      class="other"
      @update:model-value="look"
    />
    <p v-if="heard.length" class="heard small">
      <span class="quiet">Just heard:</span>
      <button v-for="one in heard" :key="one" type="button" class="small-button figures" @click="take(one)">{{ one }}</button>
    </p>
    <p role="status">
      <strong>{{ failed || verdict }}</strong>
    </p>
    <ol>
      <li v-for="(one, i) in findings" :key="`${i} ${one.question}`" :class="one.state">
        <svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true">
          <path v-if="one.state === 'right'" d="M2 9l4 4l8 -10" />
          <path v-else-if="one.state === 'wrong'" d="M3 3l10 10M13 3L3 13" />
          <path v-else d="M3 8h10" />
        </svg>
        <div>
          <h3>
            {{ one.question }} <span class="unseen">{{ one.state }}</span>
          </h3>
          <p>{{ one.words }}</p>
          <p v-if="one.remedy" class="quiet">{{ one.remedy }}</p>
          <v-btn
            v-if="one.fix && session.mayBuild"
            variant="flat"
            color="primary"
            size="small"
            class="fix"
            @click="mend(one.fix.changes)"
            >{{ one.fix.label }}</v-btn
          >
        </div>
      </li>
    </ol>
    <p class="quiet small">This looks again every second. Ctrl+Z undoes a fix.</p>
    <div class="actions"><v-btn @click="emit('done')">Done</v-btn></div>
  </aside>
</template>

<style scoped>
.other {
  margin: 12px 0 6px;
}
.heard {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
  margin-bottom: 10px;
}
ol {
  list-style: none;
  padding: 0;
  margin-top: 8px;
}
li {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 8px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
  font-size: 14px;
  overflow-wrap: anywhere;
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.4;
}
.right svg {
  color: var(--alive);
}
.wrong svg,
.wrong h3 {
  color: var(--wrong);
}
li.wrong {
  color: inherit;
}
.open svg {
  color: var(--quiet);
}
.fix {
  margin-top: 6px;
}
.unseen {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
