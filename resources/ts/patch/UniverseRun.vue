<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import type { Patched } from '@/api/show'
import { gapAt, linesOf, slotsInLine, type Span } from './run'

/** A universe as a long strip of 512 slots: fixtures are spans, and their addresses stand below like mile posts. */
const props = defineProps<{ fixtures: Patched[]; chosen?: string; name: string }>()
const emit = defineEmits<{ choose: [id: string]; gap: [slot: number] }>()
const root = ref<HTMLElement | null>(null)
const width = ref(1000)
/** Looked at from afar the whole universe is one line; close by, names and addresses have room. */
const isClose = ref(false)
const close = 4
const inLine = computed(() => slotsInLine(width.value))
const factor = computed(() => (isClose.value ? close : 1))
const lines = computed(() => linesOf(props.fixtures, inLine.value, (34 / Math.max(1, width.value * factor.value)) * inLine.value))

const watcher = new ResizeObserver(([entry]) => {
  if (entry) width.value = entry.contentRect.width
})
onMounted(() => root.value && watcher.observe(root.value))
watch(
  () => [props.chosen, isClose.value],
  async () => {
    await nextTick()
    root.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  },
)
/** Where fixtures would be too narrow to be told apart, it begins close by. */
watch(
  () => [props.name, props.fixtures.length > 0],
  () => {
    const widths = props.fixtures.map((one) => one.last - one.first + 1).sort((a, b) => a - b)
    const middle = widths[Math.floor(widths.length / 2)] ?? 512
    isClose.value = (middle / inLine.value) * width.value < 20
  },
  { immediate: true },
)
onUnmounted(() => watcher.disconnect())

const across = (slots: number) => `${(slots / inLine.value) * 100}%`
const style = (span: Span, first: number) => ({
  left: across(span.first - first),
  width: across(span.last - span.first + 1),
  top: `calc(var(--span) * ${span.lane})`,
})
const hasRoom = (span: Span) => ((span.last - span.first + 1) / inLine.value) * width.value * factor.value > 34
const spelled = (span: Span) => {
  const { fixture } = span
  const slots = fixture.first === fixture.last ? `slot ${fixture.first}` : `slots ${fixture.first} to ${fixture.last}`
  const others = fixture.shares.map((one) => one.name).join(', ')
  return `${fixture.name}, ${slots}${others ? `, shares slots with ${others}${span.isWrong ? '' : ' on purpose'}` : ''}`
}
function pressed(event: MouseEvent, first: number): void {
  const line = event.currentTarget as HTMLElement
  const slot = first + Math.floor(((event.clientX - line.getBoundingClientRect().left) / line.clientWidth) * inLine.value)
  const gap = gapAt(props.fixtures, slot)
  if (gap !== undefined) emit('gap', gap)
}
</script>

<template>
  <div class="run">
    <div ref="root" class="road" role="group" :aria-label="`Slots of ${name}`" :tabindex="isClose ? 0 : undefined">
      <div v-for="line in lines" :key="line.first" class="line" :style="{ width: `${factor * 100}%` }">
        <div class="lane" :style="{ height: `calc(var(--span) * ${line.lanes})` }" @click.self="pressed($event, line.first)">
          <button
            v-for="span in line.spans"
            :key="span.fixture.id"
            type="button"
            class="span"
            :class="{ wrongly: span.isWrong, shared: span.isShared && !span.isWrong }"
            :style="style(span, line.first)"
            :title="spelled(span)"
            :aria-label="spelled(span)"
            :aria-current="span.fixture.id === chosen"
            @click="emit('choose', span.fixture.id)"
          >
            {{ hasRoom(span) ? span.fixture.name : '' }}
          </button>
        </div>
        <div class="posts figures" aria-hidden="true">
          <span
            v-for="post in line.posts"
            :key="post"
            :class="{ end: post === line.last }"
            :style="post === line.last ? { right: 0 } : { left: across(post - line.first) }"
            >{{ post }}</span
          >
        </div>
      </div>
    </div>
    <button type="button" class="small-button" :aria-pressed="isClose" @click="isClose = !isClose">Closer</button>
  </div>
</template>

<style scoped>
.run {
  --span: 26px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: start;
}
.road {
  overflow-x: auto;
  overflow-y: hidden;
}
.line {
  margin-bottom: 4px;
}
.lane {
  position: relative;
  background: var(--sunk);
  border-block: 1px solid var(--rule);
  cursor: copy;
}
.span {
  position: absolute;
  height: var(--span);
  min-width: 3px;
  padding: 0 0 0 4px;
  overflow: hidden;
  border: 0;
  border-left: 2px solid rgb(var(--v-theme-on-background));
  background: var(--fill);
  color: rgb(var(--v-theme-on-background));
  font: inherit;
  font-size: 12px;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}
.span[aria-current='true'] {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}
.span.wrongly {
  box-shadow: inset 0 -5px 0 var(--wrong);
}
.span.shared {
  box-shadow: inset 0 -2px 0 rgb(var(--v-theme-on-background));
}
.posts {
  position: relative;
  height: 18px;
  font-size: 12px;
  color: var(--quiet);
}
.posts span {
  position: absolute;
  padding-left: 3px;
  border-left: 1px solid var(--rule);
}
.posts span.end {
  padding: 0 3px 0 0;
  border-left: 0;
  border-right: 1px solid var(--rule);
}
@media (max-width: 900px), (pointer: coarse) {
  .run {
    --span: 44px;
  }
}
</style>
