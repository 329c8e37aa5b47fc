<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow, type PlacedParameter } from '@/api/show'

/** Two profiles, or two modes, slot by slot: ours, and what the other end says that it has. */
const props = defineProps<{ first?: string }>()
const show = useShow()
const choices = computed(() =>
  show.profiles.flatMap((one) =>
    Object.keys(show.data?.footprints[one.id] ?? {}).map((mode) => ({
      key: `${one.id}/${mode}`,
      title: mode ? `${one.name}, ${one.modes?.find((other) => other.id === mode)?.name ?? mode}` : one.name,
      lines: show.footprintOf(one.id, mode),
    })),
  ),
)
const left = ref(choices.value.find((one) => one.key.startsWith(`${props.first}/`))?.key ?? choices.value[0]?.key ?? '')
const right = ref(choices.value.find((one) => one.key !== left.value)?.key ?? left.value)
const bySlot = (key: string) => {
  const found = new Map<number, string>()
  for (const one of choices.value.find((other) => other.key === key)?.lines ?? []) spell(one, found)
  return found
}
function spell(one: PlacedParameter, into: Map<number, string>): void {
  if (one.virtual) return
  one.slots.forEach((slot, i) =>
    into.set(slot, `${one.name}${one.slots.length > 1 ? `, ${['coarse', 'fine', 'finer', 'finest'][i]}` : ''}`),
  )
}
const rows = computed(() => {
  const [ours, theirs] = [bySlot(left.value), bySlot(right.value)]
  const last = Math.max(0, ...ours.keys(), ...theirs.keys())
  return Array.from({ length: last }, (_, i) => {
    const [a, b] = [ours.get(i + 1) ?? '', theirs.get(i + 1) ?? '']
    return { slot: i + 1, a, b, differs: a.toLowerCase() !== b.toLowerCase() }
  })
})
const differing = computed(() => rows.value.filter((one) => one.differs).length)
</script>

<template>
  <section class="panel" aria-label="Compare">
    <h2>Compare</h2>
    <p>{{ differing === 0 ? 'They say the same.' : `They differ in ${differing} of ${rows.length} slots.` }}</p>
    <table class="plain">
      <thead>
        <tr>
          <th>Slot</th>
          <th>
            <select v-model="left" class="inline-field" aria-label="One">
              <option v-for="one in choices" :key="one.key" :value="one.key">{{ one.title }}</option>
            </select>
          </th>
          <th>
            <select v-model="right" class="inline-field" aria-label="The other">
              <option v-for="one in choices" :key="one.key" :value="one.key">{{ one.title }}</option>
            </select>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.slot">
          <td class="figures">{{ row.slot }}</td>
          <td :class="{ wrong: row.differs }">{{ row.a || '–' }}</td>
          <td :class="{ wrong: row.differs }">{{ row.b || '–' }}{{ row.differs ? ' ≠' : '' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
