<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { universeOf, useShow, type Fixture } from '@/api/show'
import { spellSlots } from '@/components/slots'
import { useEngine } from '@/live/engine'
import { parameterAt, rangeAt, rangeMiddle, shareOf, spellValue } from './values'

/** What leaves to each parameter of a fixture, in its own unit; held by hand as long as somebody wants. */
const props = defineProps<{ fixture: Fixture }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
/** More than these are shown when they are asked for. */
const FEW = 40
const isAll = ref(false)
const placed = computed(() => show.parametersOf(props.fixture.id))
const profile = computed(() => show.profiles.find((one) => one.id === props.fixture.profile))
const rows = computed(() =>
  placed.value.slice(0, isAll.value ? undefined : FEW).flatMap((one) => {
    const parameter = profile.value ? parameterAt(profile.value, props.fixture.mode, one.path) : undefined
    return parameter ? [{ ...one, parameter, point: `fixture:${props.fixture.id}/${one.key}` }] : []
  }),
)
type Row = (typeof rows.value)[number]
engine.follow(() => rows.value.map((row) => `points:${row.point}/leaves`))
const held = computed(() => new Set(engine.holds.map((one) => `${one.universe} ${one.slot}`)))
const isHeld = (row: Row) => row.slots.some((slot) => held.value.has(`${universeOf(row, props.fixture.universe)} ${slot}`))
const valueOf = (row: Row) => {
  const value = engine.points[`${row.point}/leaves`]
  return typeof value === 'number' ? value : undefined
}
const unlocked = ref<string>('')
watch(
  () => props.fixture.id,
  () => {
    unlocked.value = ''
    isAll.value = false
  },
)
const isOpen = (row: Row) => session.mayOperate && (!row.never || unlocked.value === row.key)
function hold(row: Row, value: number): void {
  if (row.never) void engine.holdParameter(props.fixture.id, row.key, shareOf(row.parameter, value), true)
  else void engine.setPoint(row.point, value)
}
const release = (row: Row) => void engine.releaseParameter(props.fixture.id, row.key)
const low = (row: Row) => Math.min(...(row.parameter.physical ?? [0, 100]))
const high = (row: Row) => Math.max(...(row.parameter.physical ?? [0, 100]))
</script>

<template>
  <div class="levels" role="group" aria-label="Levels by name">
    <div v-for="row in rows" :key="row.key" class="row" :class="{ held: isHeld(row) }">
      <span class="name"
        >{{ row.name }}
        <span v-if="row.virtual" class="quiet small" title="It scales all lights of the fixture as they leave">virtual</span>
        <span v-else class="quiet small figures">{{ spellSlots(row.slots).replace(' to ', '–') }}</span>
        <span class="quiet small"> {{ row.highest ? 'highest' : 'latest' }}</span></span
      >
      <input
        type="range"
        :min="low(row)"
        :max="high(row)"
        step="any"
        :value="valueOf(row) ?? low(row)"
        :disabled="!isOpen(row)"
        :aria-label="`${row.name}, held by hand`"
        @input="hold(row, Number(($event.target as HTMLInputElement).value))"
      />
      <output class="figures">{{ spellValue(row.parameter, valueOf(row)) }}</output>
      <button v-if="isHeld(row)" type="button" class="small-button" :disabled="!session.mayOperate" @click="release(row)">
        Release
      </button>
      <button
        v-else-if="row.never && unlocked !== row.key"
        type="button"
        class="small-button"
        title="It is never driven: reached by hand only, this once"
        :disabled="!session.mayOperate"
        @click="unlocked = row.key"
      >
        Unlock
      </button>
      <span v-else />
      <span v-if="row.parameter.ranges?.length" class="ranges small">
        <button
          v-for="range in row.parameter.ranges"
          :key="range.first"
          type="button"
          class="small-button"
          :aria-pressed="rangeAt(row.parameter, valueOf(row)) === range"
          :disabled="!isOpen(row)"
          @click="hold(row, rangeMiddle(row.parameter, range))"
        >
          <span v-if="range.colour" class="swatch" :style="{ background: range.colour }" />{{ range.name }}
        </button>
      </span>
    </div>
    <button v-if="placed.length > rows.length" type="button" class="small-button" @click="isAll = true">
      Show all {{ placed.length }} parameters
    </button>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(70px, 1fr) 68px 68px;
  gap: 4px 8px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
.row.held {
  box-shadow: inset 3px 0 0 var(--held);
  padding-left: 6px;
}
input {
  width: 100%;
  accent-color: rgb(var(--v-theme-primary));
}
output {
  text-align: right;
  font-size: 13px;
  white-space: nowrap;
}
.ranges {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.swatch {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-right: 5px;
  border: 1px solid var(--rule);
}
</style>
