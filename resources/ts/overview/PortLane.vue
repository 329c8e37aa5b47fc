<script setup lang="ts">
import { computed } from 'vue'
import type { Port } from '@/api/show'
import MinutePlot from '@/components/MinutePlot.vue'
import StateMark from '@/components/StateMark.vue'
import { healthWords, spellProtocol, spellRate } from '@/components/words'
import { useEngine } from '@/live/engine'

const props = defineProps<{ port: Port; side: 'in' | 'out' }>()
const engine = useEngine()
const life = computed(() => engine.ports[props.port.id])
const rate = computed(() => (props.side === 'in' ? life.value?.in : life.value?.out) ?? 0)
/** A port that only sends something is alive on this side as soon as it does. */
const state = computed(() => {
  const whole = life.value?.state ?? 'waiting'
  if (props.side === 'in' || !props.port.receive || ['fault', 'off', 'unknown'].includes(whole)) return whole
  return rate.value > 0 ? 'alive' : 'quiet'
})
const minute = computed(() => engine.minutes[props.port.id]?.[props.side] ?? [])
</script>

<template>
  <router-link :to="`/ports/${port.id}`" class="lane">
    <span class="top"
      ><StateMark :state="state" /><strong>{{ port.name }}</strong
      ><span class="quiet protocol">{{ spellProtocol(port.protocol) }}</span></span
    >
    <span class="rate"
      ><span class="figures">{{ spellRate(rate) }}</span
      ><MinutePlot :values="minute" :label="`${port.name}: packets`"
    /></span>
    <span v-if="side === 'in'" class="heard" :class="['fault', 'lost', 'silent', 'unsteady'].includes(life?.state ?? '') ? 'wrong' : 'quiet'">{{
      healthWords(life, port)
    }}</span>
    <span v-else class="heard quiet"
      >to {{ port.send?.to?.join(', ') || port.link?.device || (port.send?.multicast ? 'multicast' : 'whoever is connected')
      }}<span v-if="life?.fault" :class="{ wrong: life.state === 'fault' }">. {{ life.fault }}</span></span
    >
  </router-link>
</template>

<style scoped>
.lane {
  display: block;
  padding: 12px;
  border: 1px solid var(--rule);
  background: rgb(var(--v-theme-surface));
  text-decoration: none;
  color: inherit;
}
.lane:hover {
  border-color: currentColor;
}
.top {
  display: flex;
  gap: 8px;
  align-items: center;
}
.protocol {
  margin-left: auto;
  font-size: 13px;
}
.rate {
  display: grid;
  grid-template-columns: 104px 1fr;
  align-items: center;
  gap: 8px;
  margin: 4px 0;
  font-size: 13px;
}
.heard {
  display: block;
  font-size: 13px;
  overflow-wrap: anywhere;
}
@media (max-width: 700px) {
  .lane {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    min-height: 44px;
    padding: 6px 10px;
  }
  .rate {
    grid-template-columns: auto;
    margin: 0;
  }
  .rate .plot,
  .protocol {
    display: none;
  }
  .heard {
    grid-column: 1 / -1;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
  }
}
</style>
