<script setup lang="ts">
/** Runs of slots, each with a value beside it or without one. */
interface Span { first: number, last?: number, [value: string]: number | undefined }
const props = defineProps<{ title: string, value?: string, valueLabel?: string, most?: number, add: string }>()
const spans = defineModel<Span[]>({ required: true })
function change(at: number, field: string, text: string): void {
  const number = text.trim() === '' ? undefined : Number(text)
  spans.value = spans.value.map((span, i) => (i === at ? { ...span, [field]: number } : span))
}
function more(): void {
  const last = spans.value.at(-1)
  const first = Math.min(512, (last?.last ?? last?.first ?? 0) + 1)
  spans.value = [...spans.value, { first, last: first, ...(props.value ? { [props.value]: props.most ?? 255 } : {}) }]
}
</script>

<template>
  <div class="wide">
    <h3>{{ title }}</h3>
    <div v-for="(span, i) in spans" :key="i" class="span" :class="{ valued: value }">
      <v-text-field :model-value="span.first" type="number" label="Slot" @update:model-value="change(i, 'first', String($event))" />
      <v-text-field :model-value="span.last ?? span.first" type="number" label="to slot" @update:model-value="change(i, 'last', String($event))" />
      <v-text-field v-if="value" :model-value="span[value]" type="number" :label="valueLabel" @update:model-value="change(i, value, String($event))" />
      <button type="button" class="small-button" :aria-label="`${title}: take run ${i + 1} out`" @click="spans = spans.filter((_, k) => k !== i)">Remove</button>
    </div>
    <button type="button" class="small-button" @click="more">{{ add }}</button>
  </div>
</template>

<style scoped>
.span { display: grid; grid-template-columns: 1fr 1fr auto; gap: 6px; margin: 6px 0; align-items: center; }
.span.valued { grid-template-columns: 1fr 1fr 1fr auto; }
</style>
