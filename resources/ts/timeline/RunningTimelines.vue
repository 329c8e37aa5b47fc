<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { usePlace, usePlaying } from './playing'
import { barWords, gridOf } from './grid'
import { timeWords } from './view'

/** Timelines that play, or stand somewhere: where they are, and the way to stop them. */
const show = useShow()
const session = useSession()
const playing = usePlaying()
const on = computed(() => show.timelines.filter((one) => playing.lifeOf(one.id)?.isOn))
const tick = usePlace(() => (on.value.length > 0 ? Math.floor(performance.now() / 100) : 0))
const where = (id: string) => {
  const one = show.timelines.find((two) => two.id === id)
  const at = tick.value >= 0 ? playing.atOf(id) : 0
  if (one?.unit !== 'beats') return timeWords(at, 1)
  const tempo = show.tempos.find((two) => two.id === one.tempo) ?? show.tempos[0]
  return barWords(gridOf('beats', one.changes ?? [], tempo?.start ?? 120, tempo?.bar ?? 4), at)
}
</script>

<template>
  <p v-for="one in on" :key="one.id" class="timeline">
    <router-link :to="`/timeline-edit/${one.id}`"
      ><strong>{{ one.name }}</strong></router-link
    >
    <span class="figures">{{ where(one.id) }}</span>
    <span class="quiet">{{ playing.lifeOf(one.id)?.section }} {{ playing.lifeOf(one.id)?.isPlaying ? '' : 'stands' }}</span>
    <button
      v-if="session.mayOperate"
      type="button"
      class="small-button"
      :aria-label="`Stop ${one.name}`"
      @click="playing.press(one.id, 'stop')"
    >
      Stop
    </button>
  </p>
</template>

<style scoped>
.timeline {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 4px 0;
}
a {
  color: inherit;
}
</style>
