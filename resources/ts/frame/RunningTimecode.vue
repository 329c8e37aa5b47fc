<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import StateMark from '@/components/StateMark.vue'
import { useEngine } from '@/live/engine'

/** The time code that runs, in the strip: which one, where it is, and whether its source is there. */
const show = useShow()
const engine = useEngine()
engine.follow(() => (show.timecodes.length > 0 ? ['timelines'] : []))
const life = computed(() => (engine.timelines?.news.timecodes ?? []).find((one) => one.isRunning) ?? null)
const name = computed(() => show.timecodes.find((one) => one.id === life.value?.id)?.name ?? '')
const words = computed(() => {
  if (!life.value) return ''
  if (life.value.isCarriedOn) return `${name.value} runs by itself: its source is lost`
  return `${name.value} runs, ${life.value.leader ? `led by ${show.portName(life.value.leader)}` : 'our own'}`
})
</script>

<template>
  <router-link v-if="life" :to="`/timeline-codes/${life.id}`" class="code" :title="words" :aria-label="words">
    <StateMark :state="life.isCarriedOn ? 'lost' : 'alive'" /><span class="figures">{{ life.time }}</span>
  </router-link>
</template>

<style scoped>
.code {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  color: inherit;
  text-decoration: none;
  white-space: nowrap;
}
</style>
