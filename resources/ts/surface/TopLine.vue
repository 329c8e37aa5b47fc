<script setup lang="ts">
import { computed, onScopeDispose, ref } from 'vue'
import type { SurfaceNews } from '@/live/messages'
import { useSurface } from './surface'

/** Whether it is alive, which surface this is, its pages, and what a guest may change of the screen. */
const props = defineProps<{ news: SurfaceNews; page: number; isKiosk: boolean }>()
const emit = defineEmits<{ choose: [page: number]; theme: []; leave: []; return: [] }>()
const surface = useSurface()
const isOpen = ref(false)
const mark = computed(() => (surface.isLive.value ? 'live' : 'not connected'))
const delay = computed(() =>
  surface.latency.value === null ? 'not measured yet' : `${surface.latency.value.toFixed(1)} ms there and back`,
)
const isWhole = ref(false)
const HELD = 1500
let hold = 0
/** Nobody comes upon it by chance: it is held, or pressed by a key. */
function holdOn(): void {
  hold = window.setTimeout(() => emit('leave'), HELD)
}
const letGo = () => clearTimeout(hold)
const byKey = (event: MouseEvent) => event.detail === 0 && emit('leave')
onScopeDispose(letGo)
async function whole(): Promise<void> {
  if (document.fullscreenElement) await document.exitFullscreen()
  else await document.documentElement.requestFullscreen?.()
  isWhole.value = document.fullscreenElement !== null
}
</script>

<template>
  <header :class="{ lost: !surface.isLive.value }">
    <span class="mark" role="status">
      <svg viewBox="0 0 12 12" aria-hidden="true">
        <circle v-if="surface.isLive.value" cx="6" cy="6" r="5" />
        <path v-else d="M1 1 11 11M11 1 1 11" /></svg
      >{{ mark }}
    </span>
    <button
      v-if="isKiosk"
      type="button"
      class="name"
      :aria-label="`${news.name}: hold to leave the kiosk`"
      @pointerdown="holdOn"
      @pointerup="letGo"
      @pointercancel="letGo"
      @pointerleave="letGo"
      @click="byKey"
    >
      {{ news.name }}
    </button>
    <strong v-else class="name">{{ news.name }}</strong>
    <nav v-if="news.pages.length > 1" role="tablist" aria-label="Pages">
      <button
        v-for="(one, i) in news.pages"
        :key="one.id"
        type="button"
        role="tab"
        :aria-selected="i === page"
        @click="emit('choose', i)"
      >
        {{ one.name }}
      </button>
    </nav>
    <button v-if="!isKiosk" type="button" class="more" :aria-expanded="isOpen" aria-controls="more" @click="isOpen = !isOpen">
      Screen
    </button>
    <div v-if="isOpen" id="more" class="sheet">
      <button type="button" @click="whole">{{ isWhole ? 'Leave full screen' : 'Full screen' }}</button>
      <button type="button" @click="emit('theme')">Light or dark</button>
      <button v-if="props.news.kiosk" type="button" @click="emit('return')">Kiosk again</button>
      <p>Delay: {{ delay }}</p>
    </div>
  </header>
</template>

<style scoped>
header {
  position: relative;
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
  padding: 0 8px 0 12px;
  border-bottom: 1px solid var(--rule);
}
header.lost {
  background: var(--wrong);
  color: var(--page);
}
.mark {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 14px;
}
.mark svg {
  width: 12px;
  fill: var(--on);
  stroke: currentColor;
  stroke-width: 0;
}
.lost .mark svg {
  stroke-width: 2.5;
}
button.name {
  padding: 0;
  border: 0;
  background: none;
  font-weight: 700;
  text-align: left;
}
.name {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
nav {
  display: flex;
  overflow-x: auto;
}
nav button,
.more {
  min-width: 56px;
  min-height: 47px;
  padding: 0 12px;
  border: 0;
  background: none;
}
nav button[aria-selected='true'] {
  box-shadow: inset 0 -4px currentColor;
  font-weight: 700;
}
.sheet {
  position: absolute;
  z-index: 2;
  top: 100%;
  right: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 12px;
  border: 1px solid var(--rule);
  background: var(--page);
  color: var(--ink);
}
.sheet button {
  min-height: 44px;
  padding: 0 16px;
  border: 1px solid var(--rule);
  background: none;
}
.sheet p {
  margin: 0;
}
</style>
