<script setup lang="ts">
import { computed } from 'vue'
import type { Lit, Part } from './packet'

const props = defineProps<{ part: Part; lit: Lit | null; depth: number }>()
const emit = defineEmits<{ point: [part: Part | null] }>()
const isLit = computed(
  () =>
    props.lit !== null &&
    props.part.length > 0 &&
    props.lit.offset === props.part.offset &&
    props.lit.length === props.part.length,
)
/** A long run of plain numbers, such as slots, reads better in lines than one below the other. */
const plainList = computed(
  () => props.part.list === true && (props.part.parts ?? []).every((inside) => inside.parts === undefined),
)
const spelled = computed(() => (props.part.value === null ? 'nothing' : String(props.part.value)))
const litPart = (part: Part) => props.lit !== null && props.lit.offset === part.offset && props.lit.length === part.length
</script>

<template>
  <li>
    <div
      class="field"
      :class="{ lit: isLit }"
      :style="{ paddingLeft: `${12 + depth * 16}px` }"
      tabindex="0"
      @mouseenter="emit('point', part)"
      @mouseleave="emit('point', null)"
      @focus="emit('point', part)"
      @blur="emit('point', null)"
    >
      <span class="name">{{ part.name }}</span>
      <span v-if="part.parts === undefined" class="value figures">{{ spelled }}</span>
      <span v-else-if="plainList" class="value quiet">{{
        part.parts.length === 1 ? '1 value' : `${part.parts.length} values`
      }}</span>
      <span v-if="part.meaning" class="meaning quiet">{{ part.meaning }}</span>
    </div>
    <p v-if="plainList && part.parts?.length" class="run figures" :style="{ paddingLeft: `${28 + depth * 16}px` }">
      <span
        v-for="inside in part.parts"
        :key="inside.name"
        :class="{ lit: litPart(inside) }"
        :title="`${part.name} ${inside.name}`"
        @mouseenter="emit('point', inside)"
        @mouseleave="emit('point', null)"
        >{{ inside.value }}</span
      >
    </p>
    <ul v-else-if="part.parts?.length">
      <PacketField
        v-for="inside in part.parts"
        :key="inside.name"
        :part="inside"
        :lit="lit"
        :depth="depth + 1"
        @point="emit('point', $event)"
      />
    </ul>
  </li>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
.field {
  display: grid;
  grid-template-columns: minmax(120px, 0.9fr) minmax(0, 1fr);
  gap: 0 12px;
  padding: 3px 12px;
  border-bottom: 1px solid var(--rule);
  font-size: 14px;
}
.field.lit,
.run .lit {
  background: var(--fill);
}
.name {
  font-weight: 600;
  overflow-wrap: anywhere;
}
.value {
  overflow-wrap: anywhere;
}
.meaning {
  grid-column: 2;
  font-size: 13px;
}
.run {
  padding: 4px 12px;
  font-size: 13px;
  border-bottom: 1px solid var(--rule);
  max-height: 160px;
  overflow: auto;
}
.run span {
  display: inline-block;
  min-width: 3ch;
  text-align: right;
  padding: 0 4px;
}
</style>
