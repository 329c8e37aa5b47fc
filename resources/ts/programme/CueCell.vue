<script setup lang="ts">
import { ref, watch } from 'vue'
import { useSession } from '@/api/session'

/** A cell of a cue table: typed into by those who may, and stored as it is left. */
const props = defineProps<{ value: string; label: string; cell: string; usual?: string; figures?: boolean; right?: boolean }>()
const emit = defineEmits<{ put: [text: string]; key: [event: KeyboardEvent] }>()
const session = useSession()
const text = ref(props.value)
watch(
  () => props.value,
  (now, was) => {
    // What somebody is typing stays, whatever others make of it meanwhile.
    if (text.value === was) text.value = now
  },
)
function leave(): void {
  if (text.value.trim() !== props.value) emit('put', text.value)
}
</script>

<template>
  <span role="cell" :class="{ figures, right }">
    <input
      v-if="session.mayBuild"
      v-model="text"
      :aria-label="label"
      :data-cell="cell"
      :placeholder="usual"
      :class="{ right }"
      @change="leave"
      @keydown="emit('key', $event)"
      @keydown.esc="text = value"
    />
    <template v-else>{{ value || usual }}</template>
  </span>
</template>

<style scoped>
input {
  width: 100%;
  min-height: 30px;
  padding: 0 6px;
  background: none;
  border: 1px solid transparent;
  color: inherit;
  font: inherit;
}
input:hover,
input:focus-visible {
  border-color: var(--rule);
  background: var(--sunk);
}
input::placeholder {
  color: var(--quiet);
  opacity: 0.8;
}
.right {
  text-align: right;
}
</style>
