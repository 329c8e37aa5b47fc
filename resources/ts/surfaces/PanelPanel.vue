<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Panel } from '@/api/show'
import { call } from '@/api/client'
import { copyText } from '@/components/handOver'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import { controlsOf } from './build'

/** One panel: the page that it is on, its parts, and what each moves there. */
const props = defineProps<{ panel: Panel }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const at = computed(() => `panel:${props.panel.id}/page`)
engine.follow(() => [`points:${at.value}`])
const surface = computed(() => show.surfaces.find((one) => one.id === props.panel.surface))
const number = computed(() => Number(engine.points[at.value] ?? 1))
const page = computed(() => surface.value?.pages?.[number.value - 1])
const moves = (part: string) =>
  (page.value ? controlsOf(page.value) : [])
    .flatMap((control) =>
      (control.hardware ?? [])
        .filter((grip) => grip.part === part)
        .map((grip) => (grip.moves ? `${control.name}, ${grip.moves}` : control.name)),
    )
    .join(', ')
const says = (when: Record<string, unknown>) =>
  Object.entries(when)
    .map(([name, value]) => (name === 'kind' ? String(value) : `${name} ${String(value)}`))
    .join(', ')
const copy = () =>
  attempt(async () => {
    const table = await call<{ columns: string[]; lines: string[][] }>('GET', `show/panels/${props.panel.id}/addresses?json=1`)
    copyText([table.columns, ...table.lines].map((line) => line.join('\t')).join('\n'))
  })
const remove = () =>
  attempt(async () => {
    await show.remove('panels', props.panel.id)
    emit('gone')
  })
</script>

<template>
  <aside class="panel" aria-label="Panel">
    <div class="top">
      <h2>{{ panel.name }}</h2>
      <span class="spring" />
      <template v-if="session.mayBuild">
        <v-btn @click="emit('change')">Change</v-btn>
        <v-btn color="error" @click="remove">Delete</v-btn>
      </template>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <p class="pages">
      Page {{ number }} of {{ Math.max(1, surface?.pages?.length ?? 1) }}<template v-if="page">, {{ page.name }}</template>
      <template v-if="session.mayOperate">
        <button type="button" class="small-button" @click="engine.pressPoint(`panel:${panel.id}/back`)">Page before</button>
        <button type="button" class="small-button" @click="engine.pressPoint(`panel:${panel.id}/next`)">Next page</button>
        <button type="button" class="small-button" @click="engine.pressPoint(`panel:${panel.id}/refresh`)">
          Tell it everything again
        </button>
      </template>
    </p>
    <p>
      Its twin on the screen is
      <router-link :to="`/surfaces/${panel.surface}`">{{ surface?.name ?? panel.surface }}</router-link>: the same pages, the same
      values, also when the panel is gone.
    </p>
    <p v-if="panel.oscPort">
      All controls by OSC at {{ show.portName(panel.oscPort) }}:
      <a :href="`/api/show/panels/${panel.id}/addresses`" download>table of addresses (CSV)</a>
      <button type="button" class="small-button" @click="copy">Copy the table</button>
    </p>
    <table v-if="panel.parts?.length" class="plain">
      <thead>
        <tr>
          <th>Part</th>
          <th>Says</th>
          <th>Is</th>
          <th>Moves on this page</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="part in panel.parts ?? []" :key="part.id">
          <td>
            <strong>{{ part.name || part.id }}</strong>
          </td>
          <td class="small">{{ says(part.when) }}</td>
          <td>{{ part.does.kind }}</td>
          <td>{{ moves(part.id) || '–' }}</td>
        </tr>
      </tbody>
    </table>
  </aside>
</template>

<style scoped>
.top,
.pages {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.spring {
  flex: 1;
}
</style>
