<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { useShow } from '@/api/show'
import StateMark from '@/components/StateMark.vue'
import EngineWarnings from './EngineWarnings.vue'
import HeldButton from './HeldButton.vue'
import NewerVersion from './NewerVersion.vue'
import OtherPeople from './OtherPeople.vue'
import RoutesOff from './RoutesOff.vue'
import RunningTimecode from './RunningTimecode.vue'
import { useLook } from './look'
import GrandMaster from '@/programme/GrandMaster.vue'
import { healthWords } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { PortState } from '@/live/types'

/** More ports than there is room for are counted by their states; on a phone all of them are. */
const MOST_MARKS = 20
const MARK_WIDTH = 28
const REST_WIDTH = 850
const PHONE_WIDTH = 700
const width = ref(innerWidth)
const NARROW_WIDTH = 1100
const TABLET_WIDTH = 900
const isPhone = computed(() => width.value <= PHONE_WIDTH)
const isNarrow = computed(() => width.value <= NARROW_WIDTH)
const room = computed(() => Math.min(MOST_MARKS, Math.floor((width.value - REST_WIDTH) / MARK_WIDTH)))
const time = ref('')
const look = () => {
  width.value = innerWidth
  time.value = new Date().toTimeString().slice(0, 8)
}
let ticking = 0
onMounted(() => {
  look()
  addEventListener('resize', look)
  ticking = window.setInterval(look, 1000)
})
onUnmounted(() => {
  removeEventListener('resize', look)
  clearInterval(ticking)
})
const order: PortState[] = ['fault', 'lost', 'silent', 'unsteady', 'unknown', 'alive', 'quiet', 'waiting', 'off']
defineEmits<{ keys: [] }>()
const engine = useEngine()
const show = useShow()
const { isDark, changeTheme, levelFormat, nextFormat } = useLook()
engine.follow(() => ['status'])

const linkWords = computed(
  () => ({ connecting: 'Engine: connecting', open: 'Engine alive', lost: 'Engine lost, coming back' })[engine.state],
)
const linkState = computed(() => (({ connecting: 'waiting', open: 'alive', lost: 'lost' }) as const)[engine.state])
/** With many ports each state is one mark with its count, what is wrong first and by name. */
const groups = computed(() => {
  if (show.ports.length <= room.value && !isPhone.value) return []
  const names = new Map<PortState, string[]>()
  for (const port of show.ports) {
    const state = engine.ports[port.id]?.state ?? (engine.state === 'open' ? 'waiting' : 'unknown')
    names.set(state, [...(names.get(state) ?? []), port.name])
  }
  return order.flatMap((state) => {
    const found = names.get(state)
    return found ? [{ state, names: found, isWrong: ['fault', 'lost', 'silent', 'unsteady'].includes(state) }] : []
  })
})
</script>

<template>
  <header class="strip">
    <span class="brand">Nimble Junction</span>
    <span class="engine" role="status"><StateMark :state="linkState" /> {{ linkWords }}</span>
    <EngineWarnings />
    <NewerVersion />
    <RoutesOff />
    <span v-if="groups.length" class="ports">
      <router-link v-for="group in groups" :key="group.state" to="/ports" class="port" :title="group.names.join('\n')">
        <StateMark :state="group.state" :words="!isNarrow || (group.isWrong && width > TABLET_WIDTH)" /><b class="figures">{{ group.names.length }}</b
        ><span v-if="group.isWrong" class="name">{{ group.names.slice(0, 3).join(', ') }}</span>
      </router-link>
    </span>
    <span v-else class="ports" :class="{ many: show.ports.length > 6 }">
      <router-link
        v-for="port in show.ports"
        :key="port.id"
        :to="`/ports/${port.id}`"
        class="port"
        :title="`${port.name}: ${healthWords(engine.ports[port.id], port)}`"
      >
        <StateMark :state="engine.ports[port.id]?.state ?? (engine.state === 'open' ? 'waiting' : 'unknown')" /><span
          class="name"
          >{{ port.name }}</span
        >
      </router-link>
    </span>
    <OtherPeople />
    <GrandMaster />
    <HeldButton />
    <RunningTimecode />
    <time class="figures wide" aria-label="Time of day">{{ time }}</time>
    <button type="button" class="wide" :title="`Levels are written as ${levelFormat}: change`" @click="nextFormat">
      {{ levelFormat }}
    </button>
    <button type="button" class="wide" title="Change between the dark and the light theme" @click="changeTheme">
      {{ isDark ? 'Light' : 'Dark' }}
    </button>
    <button type="button" class="wide" title="The list of keys (?)" @click="$emit('keys')">Keys</button>
  </header>
</template>

<style scoped>
.strip {
  position: fixed;
  inset: 0 0 auto 0;
  height: var(--strip);
  z-index: 10;
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 0 16px;
  border-bottom: 1px solid var(--rule);
  background: rgb(var(--v-theme-background));
  font-size: 13px;
  white-space: nowrap;
}
.brand {
  font-weight: 700;
  font-size: 15px;
  width: calc(var(--rail) - 16px);
}
.engine {
  font-weight: 600;
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.ports {
  flex: 1;
  display: flex;
  gap: 8px;
  overflow: hidden;
  min-width: 0;
}
.port {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  text-decoration: none;
  color: var(--quiet);
  min-width: 20px;
}
.port .name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.port:hover .name {
  text-decoration: underline;
}
button {
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  height: 28px;
  padding: 0 10px;
  cursor: pointer;
}
.many .name {
  display: none;
}
@media (max-width: 900px) {
  button {
    height: 44px;
  }
  .brand,
  .port .name {
    display: none;
  }
}
@media (max-width: 700px) {
  .strip {
    gap: 10px;
    padding: 0 10px;
  }
  .wide {
    display: none;
  }
  .ports {
    gap: 4px;
  }
  .port {
    height: 44px;
    min-width: 44px;
    flex: none;
  }
}
</style>
