<script setup lang="ts">
import UPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useTheme } from 'vuetify'
import { useShow } from '@/api/show'
import { levelFormat, spellLevel } from '@/components/levels'
import type { Curve } from './curve'
import type { Watched } from './subjects'

const props = defineProps<{ watched: Watched; curve: Curve | undefined; seconds: number; frozen: boolean; height: number }>()
const emit = defineEmits<{ drop: [] }>()
const show = useShow()
const theme = useTheme()
const box = ref<HTMLElement | null>(null)
const isSlot = computed(() => props.watched.kind === 'slot')
const title = computed(() => {
  const { kind, holder, place, address } = props.watched
  if (kind === 'point') return holder
  return kind === 'slot'
    ? `${show.universeName(holder)}, slot ${place}`
    : `${show.portName(holder)}, ${address}${place > 1 ? `, argument ${place}` : ''}`
})
const newest = computed(() => props.curve?.values.at(-1))
const spelled = computed(() =>
  newest.value === undefined ? '–' : isSlot.value ? spellLevel(newest.value) : String(Math.round(newest.value * 10_000) / 10_000),
)
let plot: UPlot | null = null
let frame = 0
let paintedAt = 0

function make(): void {
  plot?.destroy()
  if (!box.value) return
  const style = getComputedStyle(box.value)
  const colour = (name: string) => style.getPropertyValue(name).trim()
  const axis = {
    stroke: colour('--quiet'),
    grid: { stroke: colour('--rule'), width: 1 },
    ticks: { stroke: colour('--rule'), width: 1 },
    font: `12px ${colour('--figures')}`,
  }
  plot = new UPlot(
    {
      width: box.value.clientWidth,
      height: props.height,
      legend: { show: false },
      cursor: { show: false },
      scales: {
        x: { time: false, range: () => [-props.seconds, 0] },
        y: { range: (_, low, high) => (isSlot.value ? [0, 255] : low === high ? [low - 1, high + 1] : [low, high]) },
      },
      axes: [
        { ...axis, size: 30, values: (_, marks) => marks.map((mark) => (mark === 0 ? 'now' : `${mark} s`)) },
        {
          ...axis,
          size: 56,
          values: (_, marks) => marks.map((mark) => (isSlot.value ? spellLevel(Math.round(mark)) : String(mark))),
        },
      ],
      series: [
        {},
        { stroke: colour('--alive'), width: 2, paths: UPlot.paths.stepped?.({ align: 1 }), points: { show: false } },
        // Each arrival is a mark, whether the value changed or not.
        { stroke: colour('--held'), paths: () => null, points: { show: true, size: 4, width: 0, fill: colour('--held') } },
      ],
    },
    [[], [], []],
    box.value,
  )
}
function paint(now: number): void {
  frame = requestAnimationFrame(paint)
  if (props.frozen || !plot || now - paintedAt < 40) return
  paintedAt = now
  const times = props.curve?.times ?? []
  const values = props.curve?.values ?? []
  const last = values.at(-1)
  const xs = times.map((time) => (time - now) / 1000)
  plot.setData(
    last === undefined
      ? [[], [], []]
      : [
          [...xs, Math.max(0, xs.at(-1) ?? 0)],
          [...values, last],
          [...values, null],
        ],
  )
}
const observer = new ResizeObserver(() => box.value && plot?.setSize({ width: box.value.clientWidth, height: props.height }))
onMounted(() => {
  make()
  if (box.value) observer.observe(box.value)
  frame = requestAnimationFrame(paint)
})
onUnmounted(() => {
  cancelAnimationFrame(frame)
  observer.disconnect()
  plot?.destroy()
})
watch([() => theme.global.name.value, levelFormat, () => props.height], () => requestAnimationFrame(make))
</script>

<template>
  <article class="lane" :aria-label="title">
    <header>
      <h2>{{ title }}</h2>
      <span v-if="isSlot" class="quiet small">{{ show.listening(watched.holder, watched.place) }}</span>
      <span class="figures now">{{ spelled }}</span><button type="button" class="small-button" @click="emit('drop')">
        Remove
      </button>
    </header>
    <p class="words">{{ curve?.words || 'Nothing has arrived yet.' }}</p>
    <div ref="box" class="plot" :data-points="curve?.times.length ?? 0" />
  </article>
</template>

<style scoped>
.lane {
  border-top: 1px solid var(--rule);
  padding: 10px 0;
}
header {
  display: flex;
  gap: 16px;
  align-items: baseline;
}
.now {
  font-size: 18px;
  font-weight: 600;
}
header .small-button {
  margin-left: auto;
}
.words {
  margin: 2px 0 6px;
}
.plot {
  background: var(--sunk);
}
</style>
