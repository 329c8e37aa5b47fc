<script setup lang="ts">
import { ref } from 'vue'
import { foldedAway } from './parts'
import type { KindPart } from '@/api/show'
import type { LearnWay } from '@/live/messages'
import CurveDrawing from './CurveDrawing.vue'
import FormulaNote from './FormulaNote.vue'
import { fresh, useDescriptions } from './kinds'
import LearnPanel from './LearnPanel.vue'
import type { Learned } from './learn'
import PartFields from './PartFields.vue'
import WhoListens from './WhoListens.vue'

/** Parts that each say of what kind they are: one after the other, or one alone. */
const props = defineProps<{
  of: string
  title: string
  alone?: boolean
  fault?: (path: string) => string | undefined
  /** Where they stand in their part, like "steps/". */
  at?: string
}>()
const parts = defineModel<KindPart[]>({ required: true })
const descriptions = useDescriptions()
const choices = () => descriptions.value?.kinds[props.of] ?? []
const kindOf = (part: KindPart) => choices().find((one) => one.kind === part.kind)
function add(): void {
  const first = choices()[0]
  if (first) parts.value = [...parts.value, fresh(first)]
}
/** What was learned last: how strictly it is waited for may be chosen after. */
const latest = ref<{ at: number; ways: LearnWay[] } | null>(null)
const learned = (what: Learned) => {
  latest.value = { at: parts.value.length, ways: what.ways }
  const usual = what.ways[0]
  if (usual) parts.value = [...parts.value, usual.part as KindPart]
}
function wait(at: number, way: LearnWay): void {
  change(at, way.part as KindPart)
}
function become(at: number, kind: string): void {
  const chosen = choices().find((one) => one.kind === kind)
  if (chosen) change(at, fresh(chosen))
}
/** Which one is learned anew, in its place. */
const anew = ref<number | null>(null)
function learnedAnew(at: number, what: Learned): void {
  anew.value = null
  latest.value = { at, ways: what.ways }
  const usual = what.ways[0]
  if (usual) change(at, usual.part as KindPart)
}
const change = (at: number, part: KindPart) => {
  parts.value = parts.value.map((one, i) => (i === at ? part : one))
}
const pathOf = (at: number) => (props.alone ? (props.at ?? '') : `${props.at ?? ''}${at}/`)
/** Those whose fields that few set are in sight. */
const unfolded = ref<number[]>([])
function folded(part: KindPart, at: number): string[] {
  if (unfolded.value.includes(at)) return []
  return foldedAway(kindOf(part)?.fields ?? [], part, (name) => Boolean(props.fault?.(`${pathOf(at)}${name}`)))
}
const remove = (at: number) => {
  latest.value = anew.value = null
  unfolded.value = []
  parts.value = parts.value.filter((_, i) => i !== at)
}
</script>

<template>
  <section :aria-label="title">
    <h3>{{ title }}</h3>
    <div v-for="(part, i) in parts" :key="i" class="part">
      <div class="part-head">
        <v-select
          :model-value="part.kind"
          :items="choices()"
          item-title="label"
          item-value="kind"
          :label="alone ? title : `${title}, ${i + 1}`"
          @update:model-value="become(i, $event)"
        />
        <span class="deeds">
          <button
            v-if="of === 'trigger'"
            type="button"
            class="small-button"
            :aria-label="`${title}: learn ${i + 1} anew`"
            :aria-pressed="anew === i"
            @click="anew = anew === i ? null : i"
          >
            Learn
          </button>
          <button type="button" class="small-button" :aria-label="`${title}: take ${i + 1} out`" @click="remove(i)">
            Remove
          </button>
        </span>
      </div>
      <LearnPanel v-if="anew === i" :armed="true" slots @learned="learnedAnew(i, $event)" @update:armed="anew = null" />
      <div v-if="latest?.at === i" class="ways" role="group" aria-label="How strictly">
        <button v-for="way in latest.ways" :key="way.words" type="button" class="small-button" @click="wait(i, way)">
          {{ way.words }}
        </button>
      </div>
      <div v-if="kindOf(part)" class="fields">
        <PartFields
          :model-value="part"
          :fields="kindOf(part)!.fields"
          :without="folded(part, i)"
          :fault="fault"
          :at="pathOf(i)"
          @update:model-value="change(i, $event as KindPart)"
        />
      </div>
      <button
        v-if="folded(part, i).length"
        type="button"
        class="small-button unfold"
        :aria-label="`${title}, ${i + 1}: more settings`"
        @click="unfolded = [...unfolded, i]"
      >
        More settings ({{ folded(part, i).length }})
      </button>
      <CurveDrawing
        v-if="part.kind === 'table'"
        :model-value="(part.points ?? []) as number[]"
        @update:model-value="change(i, { ...part, points: $event })"
      />
      <WhoListens v-if="of === 'trigger'" :trigger="part" />
      <FormulaNote v-if="part.kind === 'formula'" :text="String(part.text ?? '')" />
    </div>
    <LearnPanel v-if="of === 'trigger'" slots @learned="learned" />
    <button v-if="!alone || parts.length === 0" type="button" class="small-button" :aria-label="`${title}: add one`" @click="add">
      Add
    </button>
  </section>
</template>

<style scoped>
.part {
  border-left: 2px solid var(--rule);
  padding: 4px 0 4px 10px;
  margin: 6px 0;
  display: grid;
  gap: 8px;
}
.deeds {
  display: flex;
  gap: 4px;
}
.unfold {
  justify-self: start;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.part-head {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: center;
}
</style>
