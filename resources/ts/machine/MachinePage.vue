<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import StateMark from '@/components/StateMark.vue'
import BackupsPanel from './BackupsPanel.vue'
import EventList from './EventList.vue'
import { amount, span, useMachine } from './machine'

/** The machine that all of it runs on: how it is, what has happened, what is kept. */
const session = useSession()
const machine = useMachine()
const engine = computed(() => machine.value?.engine ?? null)
const lines = computed(() => {
  const now = engine.value
  if (!machine.value) return []
  return [
    ['Version', machine.value.version],
    ['Room for data', machine.value.room === null ? 'not known' : amount(machine.value.room)],
    ...(now
      ? [
          ['Engine', `runs for ${span(Date.now() / 1000 - now.startedAt)}, process ${now.pid}`],
          ['Code', now.runs],
          ['Memory', amount(now.memory)],
          ['Pages open', String(now.pages)],
          ['Files and sockets', `${now.descriptors} of 1024`],
          ['Longest wait', `${(now.late * 1000).toFixed(1)} ms in the last minute`],
          ['Own faults', String(now.faults)],
        ]
      : []),
  ]
})
</script>

<template>
  <div class="page">
    <div class="page-head"><h1>Machine</h1></div>
    <div class="both">
      <EventList v-if="session.mayOperate" />
      <div class="side">
        <section class="panel" aria-label="How it is">
          <h2>How it is</h2>
          <template v-if="machine">
            <p v-if="machine.troubles.length === 0"><StateMark state="alive" /> All is well.</p>
            <ul v-else>
              <li v-for="one in machine.troubles" :key="one"><StateMark state="fault" /> {{ one }}</li>
            </ul>
            <dl class="small">
              <template v-for="[name, words] in lines" :key="name">
                <dt class="quiet">{{ name }}</dt>
                <dd class="figures">{{ words }}</dd>
              </template>
            </dl>
          </template>
          <p v-else class="quiet">The web server does not say.</p>
        </section>
        <BackupsPanel v-if="session.mayBuild" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 24px;
  align-items: start;
}
.side {
  display: grid;
  gap: 16px;
}
h2 {
  margin-bottom: 8px;
}
ul {
  padding: 0;
  margin: 0 0 12px;
  list-style: none;
}
li {
  margin-bottom: 6px;
  overflow-wrap: anywhere;
}
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 16px;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
@media (max-width: 1000px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    order: -1;
  }
}
</style>
