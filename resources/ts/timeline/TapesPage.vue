<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import { takeCapture } from './tapes'
import TapeRow from './TapeRow.vue'
import TimelineTabs from './TimelineTabs.vue'
import { timeWords } from './view'

/** What arrived at ports, recorded as it arrived, and played again as if it did. */
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
engine.follow(() => ['tapes'])
const news = computed(() => engine.tapes)
const receivers = computed(() => show.ports.filter((one) => one.receive))
const name = ref('')
const ports = ref<string[]>([])
const isOpen = computed(() => (news.value?.recording ?? '') !== '')
const turn = () =>
  attempt(async () => {
    const answer = await engine.recordTape(isOpen.value ? { ends: true } : { name: name.value, ports: ports.value })
    if (!answer.ok) throw new Error(answer.error)
    if (isOpen.value) name.value = ''
  })
const take = (event: Event) =>
  attempt(async () => {
    const field = event.target as HTMLInputElement
    const file = field.files?.[0]
    field.value = ''
    if (!file) return
    await takeCapture(file)
    await engine.changeTape({})
  })
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Timeline</h1>
      <TimelineTabs /><span class="spring" />
      <label v-if="session.mayBuild" class="small-button file"
        >Take in a capture<input type="file" accept=".pcap,.pcapng" class="d-sr-only" aria-label="Capture file" @change="take"
      /></label>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <section v-if="session.mayOperate" class="panel record" aria-label="Record">
      <h2>Record what arrives</h2>
      <div class="row">
        <input
          v-model="name"
          class="inline-field"
          aria-label="Name of the tape"
          placeholder="name"
          maxlength="60"
          :disabled="isOpen"
        />
        <v-select
          v-model="ports"
          :items="receivers"
          item-title="name"
          item-value="id"
          multiple
          chips
          label="Ports; none for all that receive"
          :disabled="isOpen"
          class="ports"
        />
        <v-btn variant="flat" :color="isOpen ? 'error' : 'primary'" :aria-pressed="isOpen" @click="turn">{{
          isOpen ? 'End' : 'Record'
        }}</v-btn>
      </div>
      <p class="small" role="status">
        <template v-if="isOpen && news">{{ timeWords(news.seconds, 1) }}, {{ news.packets }} packets</template>
        <template v-else-if="news?.why">The last recording ended: {{ news.why }}.</template>
        <template v-else>Levels and messages are kept as they arrive, for as long as there is room on the disk.</template>
      </p>
    </section>
    <p v-if="(news?.tapes ?? []).length === 0" class="empty">
      No tape yet. Record a desk, and it can be played again without it: once or round and round, from a cue or a timeline too.
    </p>
    <ul v-else class="tapes" aria-label="Tapes">
      <TapeRow v-for="one in news?.tapes ?? []" :key="one.id" :tape="one" :is-recorded="news?.recording === one.id" />
    </ul>
    <p class="small quiet">While a tape plays, its ports hear the tape and nothing else.</p>
  </div>
</template>

<style scoped>
.record {
  margin-bottom: 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.ports {
  flex: 1;
  min-width: 240px;
}
.tapes {
  margin: 0;
  padding: 0;
  list-style: none;
}
.file {
  display: inline-flex;
  align-items: center;
}
.file:focus-within {
  outline: 2px solid var(--held);
}
</style>
