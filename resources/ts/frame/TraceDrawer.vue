<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'
import type { TraceEvent } from '@/live/types'
import TraceEntry from './TraceEntry.vue'

const open = defineModel<boolean>({ required: true })
const engine = useEngine()
const show = useShow()
engine.follow(() => ['trace'])

const kinds = ['every kind', 'message', 'feedback', 'source', 'refused', 'hold', 'port', 'show']
const kind = ref('every kind')
const port = ref('')
const paused = ref(false)
const kept = shallowRef<TraceEvent[]>([])
const unfolded = ref(new Set<number>())
watch(paused, (now) => {
  kept.value = now ? engine.events : []
})

const events = computed(() =>
  (paused.value ? kept.value : engine.events)
    .filter(
      (event) => (kind.value === 'every kind' || event.kind === kind.value) && (port.value === '' || event.port === port.value),
    )
    .slice(0, 120),
)
const newest = computed(() => engine.events[0]?.title ?? 'Nothing has happened yet.')
function toggle(serial: number): void {
  const next = new Set(unfolded.value)
  if (!next.delete(serial)) next.add(serial)
  unfolded.value = next
}
</script>

<template>
  <section class="drawer" :class="{ open }" aria-label="Trace">
    <div class="bar">
      <button type="button" class="handle" :aria-expanded="open" @click="open = !open">Trace <kbd>T</kbd></button>
      <span v-if="!open" class="newest">{{ newest }}</span>
      <template v-else>
        <label
          >Kind
          <select v-model="kind">
            <option v-for="one in kinds" :key="one">{{ one }}</option>
          </select></label
        >
        <label
          >Port
          <select v-model="port">
            <option value="">every port</option>
            <option v-for="one in show.ports" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select></label
        >
        <button type="button" :aria-pressed="paused" @click="paused = !paused">{{ paused ? 'Resume' : 'Pause' }}</button>
        <span class="quiet">{{ events.length }} events</span>
      </template>
    </div>
    <ol v-if="open" class="events" tabindex="0" aria-label="Events, newest first">
      <li v-if="events.length === 0" class="empty">
        Nothing has happened that fits the filter. Move something at a desk, or play a stand-in.
      </li>
      <li v-for="event in events" :key="event.serial">
        <TraceEntry :event="event" :unfolded="unfolded.has(event.serial)" @toggle="toggle(event.serial)" />
      </li>
    </ol>
  </section>
</template>

<style scoped>
.drawer {
  position: fixed;
  inset: auto 0 0 0;
  height: 34px;
  z-index: 9;
  background: rgb(var(--v-theme-background));
  border-top: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
}
.drawer.open {
  height: 300px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 33px;
  padding: 0 16px;
  font-size: 13px;
  white-space: nowrap;
  overflow: hidden;
}
.bar button,
.bar select {
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  height: 24px;
  padding: 0 8px;
  cursor: pointer;
}
.bar select option {
  background: rgb(var(--v-theme-surface));
}
.bar .handle {
  border: 0;
  padding: 0;
  font-weight: 700;
  width: calc(var(--rail) - 16px);
  text-align: left;
}
kbd {
  font-family: var(--figures);
  border: 1px solid var(--rule);
  padding: 0 4px;
  font-size: 12px;
  font-weight: 400;
}
.newest {
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--quiet);
}
.events {
  list-style: none;
  overflow: auto;
  flex: 1;
  border-top: 1px solid var(--rule);
  padding: 0;
}
.empty {
  padding: 16px;
}
</style>
