<script setup lang="ts">
import { computed } from 'vue'
import type { Port } from '@/api/show'
import MinutePlot from '@/components/MinutePlot.vue'
import { spellAgo, spellRate } from '@/components/words'
import { useEngine } from '@/live/engine'
import PortFigures from './PortFigures.vue'

/** What a port did in the last minute, and since the engine started. */
const props = defineProps<{ port: Port }>()
const engine = useEngine()
const life = computed(() => engine.ports[props.port.id])
const minute = computed(() => engine.minutes[props.port.id])
const senders = computed(() =>
  Object.entries(life.value?.senders ?? {})
    .map(([address, count]) => `${address} (${count})`)
    .join(', '),
)
</script>

<template>
  <div v-if="port.receive">
    <h3>
      Received: <span class="figures">{{ spellRate(life?.in ?? 0) }}</span>, {{ life?.received ?? 0 }} in all
    </h3>
    <MinutePlot :values="minute?.in ?? []" label="Packets received" />
    <dl>
      <dt>First and last heard</dt>
      <dd>{{ life?.firstAgo == null ? 'never' : `${spellAgo(life.firstAgo)}, and ${spellAgo(life.heardAgo)}` }}</dd>
      <dt>Senders</dt>
      <dd class="figures">{{ senders || 'none yet' }}</dd>
      <template v-if="life?.connected.length"
        ><dt>Connected</dt>
        <dd>{{ life.connected.join(', ') }}</dd></template
      >
    </dl>
    <PortFigures :port="port" />
  </div>
  <div v-if="port.send">
    <h3>
      Sent: <span class="figures">{{ spellRate(life?.out ?? 0) }}</span>, {{ life?.sent ?? 0 }} in all
    </h3>
    <MinutePlot :values="minute?.out ?? []" label="Packets sent" />
  </div>
  <div v-if="life?.refused" class="wrong">
    <p>{{ life.refused }} packets refused:</p>
    <ul>
      <li v-for="(count, reason) in life.refusals" :key="reason">{{ count }} × {{ reason }}</li>
    </ul>
  </div>
</template>

<style scoped>
h3 {
  margin-top: 10px;
}
dl {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr);
  gap: 2px 12px;
  font-size: 13px;
  margin-top: 4px;
}
dt {
  color: var(--quiet);
}
dd {
  overflow-wrap: anywhere;
}
ul {
  padding-left: 20px;
}
</style>
