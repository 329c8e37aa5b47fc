<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow } from '@/api/show'
import { switchesOf, switchRow } from './dip'
import { spanOf } from './fixtures'

/** The patch on paper, for whoever hangs and addresses it: by universe or by place, with switches and a column to tick. */
const show = useShow()
const by = ref<'universe' | 'place'>('universe')
const only = ref('')
const lines = computed(() =>
  (show.data?.patch ?? []).flatMap((one) => {
    const fixture = show.fixtures.find((other) => other.id === one.id)
    const modes = show.profiles.find((other) => other.id === fixture?.profile)?.modes
    const mode = modes?.find((other) => other.id === fixture?.mode) ?? modes?.[0]
    return fixture ? [{ ...one, fixture, mode: mode?.name ?? '' }] : []
  }),
)
const groupOf = (line: (typeof lines.value)[number]) =>
  by.value === 'universe' ? show.universeName(line.universe) : line.fixture.place || 'No place'
const groups = computed(() => {
  const found = new Map<string, typeof lines.value>(by.value === 'universe' ? show.universes.map((one) => [one.name, []]) : [])
  for (const line of lines.value) found.set(groupOf(line), [...(found.get(groupOf(line)) ?? []), line])
  return [...found].map(([name, all]) => ({ name, lines: all })).filter((one) => one.lines.length > 0)
})
const shown = computed(() => groups.value.filter((one) => only.value === '' || one.name === only.value))
const numbering = (name: string) => {
  const universe = show.universes.find((one) => one.name === name)
  return by.value === 'universe' && universe ? (show.data?.numbering[universe.id] ?? []) : []
}
const print = () => window.print()
</script>

<template>
  <div class="page sheet">
    <div class="page-head no-print">
      <h1>Patch sheet</h1>
      <label class="small"
        >By
        <select v-model="by" class="inline-field" @change="only = ''">
          <option value="universe">universe</option>
          <option value="place">place</option>
        </select></label
      >
      <label class="small"
        >Only
        <select v-model="only" class="inline-field">
          <option value="">all</option>
          <option v-for="one in groups" :key="one.name">{{ one.name }}</option>
        </select></label
      >
      <span class="spring" />
      <v-btn to="/patch">Patch</v-btn>
      <v-btn variant="flat" color="primary" @click="print">Print</v-btn>
    </div>
    <p class="small">{{ show.document?.name }}, revision {{ show.data?.revision }}. {{ lines.length }} fixtures.</p>
    <section v-for="group in shown" :key="group.name" class="group">
      <h2>{{ group.name }}</h2>
      <p v-for="words in numbering(group.name)" :key="words" class="quiet small">{{ words }}</p>
      <div class="wide" role="region" :aria-label="group.name" tabindex="0">
        <table class="plain">
          <thead>
            <tr>
              <th>Done</th>
              <th>No.</th>
              <th>Name</th>
              <th>{{ by === 'universe' ? 'Place' : 'Universe' }}</th>
              <th>Profile, mode</th>
              <th>Address</th>
              <th>Slots</th>
              <th>Switches 1–{{ switchRow.count }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in group.lines" :key="line.id">
              <td><span class="tick" /></td>
              <td class="figures">{{ line.fixture.number ?? '' }}</td>
              <td>
                {{ line.name }} <span class="quiet small">{{ line.fixture.mark }}</span>
              </td>
              <td>{{ by === 'universe' ? (line.fixture.place ?? '') : show.universeName(line.universe) }}</td>
              <td>
                {{ line.profile }}<span v-if="line.mode">, {{ line.mode }}</span>
              </td>
              <td class="figures">
                <strong>{{ String(line.first).padStart(3, '0') }}</strong>
              </td>
              <td class="figures">{{ spanOf(line) }}</td>
              <td>
                <span class="switches" role="img" :aria-label="`Switches of ${line.first}`">
                  <span v-for="(on, i) in switchesOf(line.first, switchRow) ?? []" :key="i" class="switch" :class="{ on }" />
                </span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </div>
</template>

<style scoped>
.group {
  margin: 18px 0;
  break-inside: avoid;
}
.tick {
  display: inline-block;
  width: 15px;
  height: 15px;
  border: 1px solid currentColor;
}
.switches {
  display: inline-flex;
  gap: 2px;
}
.switch {
  position: relative;
  width: 9px;
  height: 16px;
  border: 1px solid currentColor;
}
.switch::after {
  content: '';
  position: absolute;
  inset: auto 1px 1px 1px;
  height: 6px;
  background: currentColor;
  opacity: 0.35;
}
.switch.on::after {
  inset: 1px 1px auto 1px;
  opacity: 1;
}
.wide {
  overflow-x: auto;
}
@media print {
  .no-print {
    display: none;
  }
}
</style>
