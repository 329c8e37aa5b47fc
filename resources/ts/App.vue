<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from './api/session'
import { useShow } from './api/show'
import BottomBar from './frame/BottomBar.vue'
import CommandPalette from './frame/CommandPalette.vue'
import LeaveQuestion from './frame/LeaveQuestion.vue'
import KeyList from './frame/KeyList.vue'
import PulseStrip from './frame/PulseStrip.vue'
import SideRail from './frame/SideRail.vue'
import TraceDrawer from './frame/TraceDrawer.vue'
import { useKeys } from './frame/keys'
import { useNewer } from './frame/newer'
import { useReleasing } from './frame/releasing'
import { LIVE, useShowMode } from './frame/showMode'
import { useEngine } from './live/engine'
import { useLending } from './live/lending'
import { places } from './router'

const session = useSession()
const show = useShow()
const engine = useEngine()
const { releaseAll } = useReleasing()
const showMode = useShowMode()
const { missing } = useNewer()
const lending = useLending()
const route = useRoute()
const router = useRouter()
const palette = ref(false)
const keyList = ref(false)
const drawer = ref(localStorage.getItem('trace') === 'open')
watch(drawer, (open) => localStorage.setItem('trace', open ? 'open' : 'closed'))

const framed = computed(() => session.user !== null && !route.meta.open)
watch(
  framed,
  (now) => {
    if (!now) return
    engine.start()
    lending.start()
    void show.begin()
  },
  { immediate: true },
)

// Somebody else may have changed the show, on another page or at the command line.
watch(
  () => engine.engine?.adoptions,
  (_, before) => {
    if (before !== undefined && framed.value) void show.follow()
  },
)

async function step(way: 'undo' | 'redo'): Promise<void> {
  try {
    await show[way]()
  } catch (error) {
    show.said = (error as Error).message
  }
}

// While the show is locked this page is all that is open; whoever is on another one is brought here.
watch([showMode.isOn, () => route.path], ([isOn, path]) => {
  if (isOn && framed.value && path !== LIVE) void router.replace(LIVE)
})
const LOCKED = ['T', '/', 'Ctrl+K', 'Ctrl+Z', 'Ctrl+Shift+Z', 'Ctrl+Y']
const keys = useKeys((key) => {
  if (!framed.value) return false
  if (showMode.isOn.value && (LOCKED.includes(key) || key.startsWith('G '))) return false
  const place = /^G \d$/.test(key) ? places[(Number(key.slice(2)) + 9) % 10] : undefined
  if (place) void router.push(place.path)
  else if (key === 'T') drawer.value = !drawer.value
  else if (key === 'X' && session.mayOperate) void engine.releaseMine()
  else if (key === 'Shift+X' && session.mayOperate) releaseAll()
  else if (key === 'Shift+B' && session.mayOperate)
    void engine.setPoint('master:blackout', engine.programme?.news.blackout ? 0 : 1)
  else if (key === '/' || key === 'Ctrl+K') palette.value = true
  else if (key === '?') keyList.value = true
  else if (key === 'Ctrl+Z' && session.mayBuild) void step('undo')
  else if ((key === 'Ctrl+Shift+Z' || key === 'Ctrl+Y') && session.mayBuild) void step('redo')
  else return false
  return true
})
onMounted(keys.listen)
onUnmounted(keys.stop)
const notice = computed(() => engine.said || session.failed || show.said || missing.value)
function dismiss(): void {
  engine.said = ''
  session.failed = ''
  show.said = ''
  missing.value = ''
}
</script>

<template>
  <v-app>
    <template v-if="framed">
      <a class="skip" href="#main">Skip to the page</a>
      <PulseStrip @keys="keyList = true" />
      <SideRail :class="{ drawn: drawer }" />
      <main id="main" tabindex="-1" :class="{ drawn: drawer }" :data-stored="!show.isStoring"><router-view /></main>
      <TraceDrawer v-if="!showMode.isOn.value" v-model="drawer" />
      <BottomBar @find="palette = true" @keys="keyList = true" />
      <div v-if="notice" class="notice" role="status">
        <span>{{ notice }}</span><button v-if="show.offersUndo && !engine.said" type="button" @click="step('undo')">Undo</button
        ><button type="button" @click="dismiss">Close</button>
      </div>
      <CommandPalette v-model="palette" @step="step" @keys="keyList = true" @trace="drawer = !drawer" />
      <KeyList v-model="keyList" />
      <LeaveQuestion />
    </template>
    <router-view v-else />
  </v-app>
</template>

<style scoped>
main {
  position: fixed;
  inset: var(--strip) 0 calc(var(--line) + var(--bar)) var(--rail);
  overflow: hidden;
  outline: none;
}
main.drawn {
  bottom: calc(300px + var(--bar));
}
.skip {
  position: fixed;
  left: 8px;
  top: -60px;
  z-index: 30;
  background: rgb(var(--v-theme-surface));
  padding: 8px 12px;
}
.skip:focus {
  top: 8px;
}
.notice {
  position: fixed;
  z-index: 20;
  left: var(--rail);
  right: 0;
  bottom: var(--bar);
  min-height: var(--line);
  display: flex;
  gap: 16px;
  align-items: center;
  background: rgb(var(--v-theme-surface-bright));
  border-left: 3px solid var(--held);
  padding: 2px 14px;
}
.notice button {
  background: none;
  border: 0;
  color: inherit;
  font: inherit;
  font-weight: 600;
  text-decoration: underline;
  cursor: pointer;
}
</style>
