<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow } from '@/api/show'
import { usePlaying } from './playing'

/** A time code, large; over the whole screen, where somebody wants it so. */
const props = defineProps<{ id: string; name: string }>()
const show = useShow()
const playing = usePlaying()
const face = ref<HTMLElement | null>(null)
const life = computed(() => playing.timecodeOf(props.id))
const health = computed(() => {
  if (!life.value) return 'not known'
  const rate = `${life.value.rate} frames a second`
  if (life.value.isCarriedOn) return `runs by itself: its source is lost, ${rate}`
  if (!life.value.isRunning) return `stands, ${rate}`
  const runs = life.value.speed < 0 ? 'runs backwards' : 'runs'
  return `${runs}, ${life.value.leader ? `led by ${show.portName(life.value.leader)}` : 'our own'}, ${rate}`
})
const failed = ref('')
async function fill(): Promise<void> {
  failed.value = ''
  try {
    await face.value?.requestFullscreen()
  } catch {
    failed.value = 'This browser does not let it fill the screen.'
  }
}
</script>

<template>
  <div ref="face" class="face" :class="{ lost: life?.isCarriedOn }">
    <p class="name">{{ name }}</p>
    <p class="clock figures" role="timer">{{ life?.time ?? '--:--:--:--' }}</p>
    <p class="health">{{ health }}</p>
    <button type="button" class="small-button" @click="fill">Full screen</button>
    <p v-if="failed" class="small wrong" role="alert">{{ failed }}</p>
  </div>
</template>

<style scoped>
.name {
  display: none;
}
.clock {
  margin: 12px 0;
  font-size: 56px;
  line-height: 1;
}
.lost .clock {
  color: var(--held);
}
.face:fullscreen {
  display: grid;
  place-content: center;
  text-align: center;
  background: rgb(var(--v-theme-background));
}
.face:fullscreen .name,
.face:fullscreen .health {
  display: block;
  font-size: 4vw;
}
.face:fullscreen .clock {
  font-size: 15vw;
}
.face:fullscreen button {
  display: none;
}
</style>
