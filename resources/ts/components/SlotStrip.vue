<script setup lang="ts">
import { onMounted, onUnmounted, ref, watch } from 'vue'
import { useTheme } from 'vuetify'
import { useEngine } from '@/live/engine'

const props = defineProps<{ universe: string; height: number }>()
const engine = useEngine()
const theme = useTheme()
const canvas = ref<HTMLCanvasElement | null>(null)
let stop = () => {}
let latest: Uint8Array | null = null

/** All 512 slots as bars, one canvas column each. */
function paint(levels: Uint8Array): void {
  latest = levels
  const pen = canvas.value?.getContext('2d')
  if (!pen) return
  pen.clearRect(0, 0, 512, 64)
  pen.fillStyle = getComputedStyle(canvas.value as HTMLCanvasElement).color
  levels.forEach((level, slot) => {
    if (level > 0) pen.fillRect(slot, 64 - level / 4, 1, level / 4)
  })
}
function follow(): void {
  stop()
  stop = engine.paint(`levels:${props.universe}`, paint)
}
engine.follow(() => [`levels:${props.universe}`])
onMounted(follow)
onUnmounted(() => stop())
watch(
  () => props.universe,
  () => {
    latest = null
    paint(new Uint8Array(512))
    follow()
  },
)
watch(
  () => theme.global.name.value,
  () => requestAnimationFrame(() => latest && paint(latest)),
)
</script>

<template>
  <canvas
    ref="canvas"
    class="slots"
    width="512"
    height="64"
    :style="{ height: `${height}px` }"
    role="img"
    aria-label="The levels of all 512 slots"
  />
</template>

<style scoped>
.slots {
  display: block;
  width: 100%;
  background: var(--sunk);
  color: var(--alive);
  image-rendering: pixelated;
}
</style>
