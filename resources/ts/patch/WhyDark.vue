<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import type { Fixture } from '@/api/show'
import { useEngine } from '@/live/engine'
import type { Answers } from '@/live/messages'

/** Why a fixture is dark: each reason with who is behind it, a way there, and a fix where there is one. */
const props = defineProps<{ fixture: Fixture }>()
const engine = useEngine()
const session = useSession()
type Reason = Answers['why-dark']['reasons'][number]
const isOpen = ref(false)
const reasons = ref<Reason[]>([])
const dark = computed(() => reasons.value.filter((one) => one.keepsDark))
const rest = computed(() => reasons.value.filter((one) => !one.keepsDark))
const places: Record<string, string> = {
  ports: '/ports/',
  universes: '/universes/',
  fixtures: '/patch/',
  profiles: '/patch-profiles/',
  pixels: '/patch-pixels/',
}
async function look(): Promise<void> {
  const asked = props.fixture.id
  const found = await engine.whyDark(asked)
  if (asked === props.fixture.id) reasons.value = found
}
let timer = 0
watch(
  () => [isOpen.value, props.fixture.id],
  () => {
    clearInterval(timer)
    if (!isOpen.value) return
    void look()
    timer = window.setInterval(() => void look(), 1000)
  },
)
onUnmounted(() => clearInterval(timer))
async function release(one: Reason): Promise<void> {
  await engine.releaseParameter(props.fixture.id, one.release)
  await look()
}
</script>

<template>
  <details class="why" :open="isOpen" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>Why is it dark?</summary>
    <p v-if="reasons.length" class="small">
      {{
        dark.length === 0
          ? 'Nothing that is known here keeps it dark.'
          : dark.length === 1
            ? 'One thing keeps it dark:'
            : `${dark.length} things keep it dark:`
      }}
    </p>
    <ul>
      <li v-for="one in [...dark, ...rest]" :key="one.words" class="small" :class="{ wrong: one.keepsDark }">
        {{ one.words }} {{ one.remedy }}
        <button v-if="one.release" type="button" class="small-button" :disabled="!session.mayOperate" @click="release(one)">
          Release it
        </button>
        <router-link v-if="one.list" :to="`${places[one.list]}${one.id}`">Go there</router-link>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.why {
  margin: 8px 0;
}
summary {
  cursor: pointer;
}
ul {
  padding-left: 18px;
  margin: 6px 0;
}
li {
  margin: 4px 0;
}
</style>
