<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Group, type Parameter } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import ColourField from './ColourField.vue'
import { fixturesOf } from './groups'
import { parameterAt, spellValue } from './values'

/** One group: each parameter of its members is held on all of them, or spread from one to the other. */
const props = defineProps<{ group: Group }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const members = computed(() => fixturesOf(props.group.id, show.groups))
/** What any of its members has, as the first that has it. */
const rows = computed(() => {
  const found = new Map<string, { key: string; name: string; parameter: Parameter }>()
  for (const id of members.value) {
    const fixture = show.fixtures.find((one) => one.id === id)
    const profile = show.profiles.find((one) => one.id === fixture?.profile)
    for (const one of fixture && profile ? show.footprintOf(profile.id, fixture.mode) : []) {
      const parameter = profile ? parameterAt(profile, fixture?.mode, one.path) : undefined
      if (parameter && !one.never && !found.has(one.key)) found.set(one.key, { key: one.key, name: one.name, parameter })
    }
  }
  return [...found.values()].slice(0, 60)
})
const hasColour = computed(() =>
  rows.value.some((row) => row.parameter.kind === 'colour' || /red|cyan|colour-wheel/.test(row.parameter.role ?? '')),
)
const point = (key: string) => `group:${props.group.id}/${key}`
engine.follow(() => rows.value.map((row) => `points:${point(row.key)}/leaves`))
const valueOf = (key: string) => {
  const value = engine.points[`${point(key)}/leaves`]
  return typeof value === 'number' ? value : undefined
}
const ends = (one: Parameter) => [Math.min(...(one.physical ?? [0, 100])), Math.max(...(one.physical ?? [0, 100]))] as const
const fanned = ref('')
const from = ref('0')
const to = ref('100')
const spread = ref<'across' | 'from-middle'>('across')
function openFan(key: string, parameter: Parameter): void {
  fanned.value = fanned.value === key ? '' : key
  ;[from.value, to.value] = [String(ends(parameter)[0]), String(ends(parameter)[1])]
}
const fan = () => attempt(() => engine.fan(members.value, fanned.value, Number(from.value), Number(to.value), spread.value))
async function light(on: number): Promise<void> {
  await attempt(async () => {
    for (const id of members.value) await engine.setPoint(`light:${id}`, on)
  })
}
const remove = () =>
  attempt(async () => {
    await show.remove('groups', props.group.id)
    emit('gone')
  })
</script>

<template>
  <aside class="panel" aria-label="Group">
    <h2>{{ group.name }}</h2>
    <p class="quiet small">
      {{
        members
          .slice(0, 12)
          .map((id) => show.fixtures.find((one) => one.id === id)?.name)
          .join(', ')
      }}{{ members.length > 12 ? ` and ${members.length - 12} more` : '' }}
    </p>
    <div class="actions">
      <v-btn :disabled="!session.mayOperate" @click="light(1)">Light them</v-btn>
      <v-btn :disabled="!session.mayOperate" @click="light(0)">Let them go</v-btn>
      <template v-if="session.mayBuild"
        ><v-btn @click="emit('change')">Change</v-btn><v-btn color="error" @click="remove">Delete</v-btn></template
      >
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <ColourField v-if="hasColour" :fixtures="members" />
    <div v-for="row in rows" :key="row.key" class="row">
      <span>{{ row.name }}</span>
      <input
        type="range"
        :min="ends(row.parameter)[0]"
        :max="ends(row.parameter)[1]"
        step="any"
        :value="valueOf(row.key) ?? ends(row.parameter)[0]"
        :disabled="!session.mayOperate"
        :aria-label="`${row.name} of ${group.name}, held by hand`"
        @input="engine.setPoint(point(row.key), Number(($event.target as HTMLInputElement).value))"
      />
      <output class="figures">{{
        valueOf(row.key) === undefined ? 'mixed' : spellValue(row.parameter, valueOf(row.key))
      }}</output>
      <button
        type="button"
        class="small-button"
        :aria-pressed="fanned === row.key"
        :disabled="!session.mayOperate"
        @click="openFan(row.key, row.parameter)"
      >
        Fan
      </button>
      <form v-if="fanned === row.key" class="fan" @submit.prevent="fan">
        <label>From <input v-model="from" class="inline-field" size="5" /></label>
        <label>to <input v-model="to" class="inline-field" size="5" /></label>
        <select v-model="spread" class="inline-field" aria-label="Spread">
          <option value="across">first to last</option>
          <option value="from-middle">from the middle</option>
        </select>
        <button type="submit" class="small-button">Hold it so</button>
      </form>
    </div>
  </aside>
</template>

<style scoped>
.actions {
  margin: 10px 0;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(70px, 1fr) 68px 52px;
  gap: 4px 8px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
.row input[type='range'] {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
output {
  text-align: right;
  font-size: 13px;
}
.fan {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
</style>
