<script setup lang="ts">
import { ref } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { useSurface } from '../surface'
import { traits, wordsOn } from '../traits'

/** A text that is typed and sent. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const surface = useSurface()
const text = ref('')
function send(): void {
  if (props.locked || text.value === '') return
  surface.set(props.control, text.value)
  text.value = ''
}
</script>

<template>
  <form class="control entry" :class="control.size" @submit.prevent="send">
    <label class="words" :for="`text-${control.id}`">{{ wordsOn(control, life) }}</label>
    <span class="line">
      <input
        :id="`text-${control.id}`"
        v-model="text"
        :maxlength="traits.number(control, 'longest', 200)"
        :placeholder="life.text"
        :disabled="locked"
        autocomplete="off"
      />
      <button type="submit" :disabled="locked || text === ''">Send</button>
    </span>
  </form>
</template>

<style scoped>
.entry {
  flex-direction: column;
  justify-content: space-between;
  gap: 4px;
  padding: 8px;
}
.line {
  display: flex;
  gap: 6px;
}
input {
  flex: 1;
  min-width: 0;
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  background: var(--page);
  color: var(--ink);
  font: inherit;
}
input::placeholder {
  color: var(--quiet);
  opacity: 1;
}
button {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--rule);
  background: none;
}
button:disabled {
  color: var(--quiet);
}
</style>
