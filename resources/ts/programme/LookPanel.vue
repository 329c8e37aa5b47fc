<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type Look } from '@/api/show'
import type { ValueOfAPoint } from '@/api/showDocument'
import { useAttempt } from '@/components/attempt'
import { useEngine } from '@/live/engine'
import ForeseePanel from './ForeseePanel.vue'
import GatherPanel from './GatherPanel.vue'
import LevelBar from './LevelBar.vue'
import { useProgramme } from './live'
import { usePointNames } from './names'
import { lookSentence } from './sentences'
import { differences, merged } from './values'
import UsedBy from './UsedBy.vue'

/** One look: how it stands, what it is made of, where it is used; and made anew of what is there, with the difference first. */
const props = defineProps<{ look: Look }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { looks } = useProgramme()
const { nameOf, unitOf } = usePointNames()
const { failed, attempt } = useAttempt()
const level = computed(() => looks.value.get(props.look.id)?.level ?? 0)
const values = computed(() => props.look.values ?? [])
const updates = ref(false)
const gathered = ref<ValueOfAPoint[] | null>(null)
/** Only values that it has already, or others too. */
const adds = ref(false)
const next = computed(() => {
  const has = new Set(values.value.map((one) => one.point))
  return merged(
    values.value,
    (gathered.value ?? []).filter((one) => adds.value || has.has(one.point)),
  )
})
const changes = computed(() => (gathered.value ? differences(values.value, next.value) : []))
const point = computed(() => `look:${props.look.id}`)
const keep = () =>
  attempt(async () => {
    await show.replace('looks', props.look.id, { ...props.look, values: next.value })
    updates.value = false
    gathered.value = null
  })
const remove = () =>
  attempt(async () => {
    await show.remove('looks', props.look.id)
    emit('gone')
  })
const written = (value: ValueOfAPoint['value'] | undefined, of: string) =>
  value === undefined ? 'not in it' : `${String(value)} ${unitOf(of)}`.trim()
</script>

<template>
  <aside class="panel" aria-label="Look">
    <h2>{{ look.name }}</h2>
    <p>{{ lookSentence(look) }}</p>
    <p v-if="look.note" class="small quiet">{{ look.note }}</p>
    <LevelBar
      class="level"
      :value="level"
      :label="`Level of ${look.name}`"
      note="%"
      :disabled="!session.mayOperate"
      @set="engine.setPoint(point, $event)"
      >{{ level > 0 ? 'live' : 'off' }}</LevelBar
    >
    <div v-if="session.mayOperate" class="actions">
      <v-btn v-if="level === 0" variant="flat" color="primary" @click="engine.setPoint(`${point}/active`, 1)">Recall</v-btn>
      <v-btn v-else variant="flat" color="primary" @click="engine.setPoint(`${point}/active`, 0)">Release</v-btn>
      <template v-if="session.mayBuild">
        <v-btn @click="updates = !updates">Update</v-btn>
        <v-btn @click="emit('change')">Change</v-btn>
        <v-btn color="error" @click="remove">Delete</v-btn>
      </template>
    </div>
    <section v-if="updates" class="update" aria-label="Update">
      <GatherPanel :look="look.id" @gathered="gathered = $event" />
      <template v-if="gathered">
        <label class="small"><input v-model="adds" type="checkbox" /> add points that it does not have yet</label>
        <p v-if="changes.length === 0" class="small">Nothing is otherwise.</p>
        <table v-else class="plain small">
          <thead>
            <tr>
              <th scope="col">Point</th>
              <th scope="col">Was</th>
              <th scope="col">Becomes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in changes" :key="one.point">
              <td>{{ nameOf(one.point) }}</td>
              <td class="figures">{{ written(one.was, one.point) }}</td>
              <td class="figures">{{ written(one.is, one.point) }}</td>
            </tr>
          </tbody>
        </table>
        <v-btn v-if="changes.length" variant="flat" color="primary" @click="keep">Keep these values</v-btn>
      </template>
    </section>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <ForeseePanel v-if="session.mayBuild" :key="look.id" :what="{ look: look.id }" />
    <h3 class="head">
      Values <span class="figures">{{ values.length }}</span>
    </h3>
    <p v-if="values.length === 0" class="small quiet">
      Nothing is in it yet, so it gives nothing.
      <template v-if="session.mayBuild">Update takes what leaves now, or what is held.</template>
    </p>
    <div class="values" role="region" aria-label="Values of the look" tabindex="0">
      <div v-for="one in values" :key="one.point" class="value">
        <span>{{ nameOf(one.point) }}</span><span class="figures">{{ String(one.value) }}</span
        ><span class="quiet small">{{ unitOf(one.point) }}</span>
      </div>
    </div>
    <UsedBy :id="look.id" kind="look" />
  </aside>
</template>

<style scoped>
.level {
  margin: 12px 0;
}
.head {
  margin: 16px 0 4px;
}
.update {
  margin-top: 12px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
.value {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 28px;
  gap: 8px;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
