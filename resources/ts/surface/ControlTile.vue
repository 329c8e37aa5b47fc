<script setup lang="ts">
import { computed, type Component } from 'vue'
import type { SurfaceControl } from '@/live/messages'
import ButtonPlate from './controls/ButtonPlate.vue'
import ColourField from './controls/ColourField.vue'
import EndlessScale from './controls/EndlessScale.vue'
import FaderBar from './controls/FaderBar.vue'
import KnobArc from './controls/KnobArc.vue'
import PadSquare from './controls/PadSquare.vue'
import SelectorPlates from './controls/SelectorPlates.vue'
import SlotBars from './controls/SlotBars.vue'
import StepperKeys from './controls/StepperKeys.vue'
import TempoTap from './controls/TempoTap.vue'
import TextEntry from './controls/TextEntry.vue'
import WordsTile from './controls/WordsTile.vue'
import { nothing, useSurface } from './surface'

/** A control in its place, drawn by its kind. */
const props = defineProps<{ control: SurfaceControl; place: { column: string; row: string } }>()
const KINDS: Record<string, Component> = {
  button: ButtonPlate,
  fader: FaderBar,
  meter: FaderBar,
  colour: ColourField,
  slots: SlotBars,
  knob: KnobArc,
  endless: EndlessScale,
  pad: PadSquare,
  stepper: StepperKeys,
  selector: SelectorPlates,
  text: TextEntry,
  tempo: TempoTap,
  label: WordsTile,
  clock: WordsTile,
  notes: WordsTile,
}
const surface = useSurface()
const life = computed(() => surface.lives[props.control.id] ?? nothing)
const locked = computed(() => !life.value.canMove || !surface.isLive.value)
const more = computed(() => (props.control.kind === 'meter' ? { isMeter: true } : {}))
const colours = computed(() => {
  const one = props.control
  const all = { '--ground': one.ground, '--off-ink': one.inkOff, '--on-control': one.colour, '--on-control-ink': one.inkOn }
  return Object.fromEntries(Object.entries(all).filter(([, colour]) => colour !== ''))
})
</script>

<template>
  <div
    v-if="life.isSeen"
    class="place"
    :data-control="control.id"
    :style="{ gridColumn: place.column, gridRow: place.row, ...colours }"
  >
    <component :is="KINDS[control.kind] ?? WordsTile" :control="control" :life="life" :locked="locked" v-bind="more" />
  </div>
</template>

<style scoped>
.place {
  min-width: 0;
  min-height: 0;
  container-type: inline-size;
}
</style>
