<script setup lang="ts">
import { ref } from 'vue'

/** A number that lives: it shows what is now, and what is being typed as long as somebody types. */
defineProps<{ value: number | undefined; min?: number; max?: number; step?: number; disabled?: boolean; label?: string }>()
const emit = defineEmits<{ set: [value: number] }>()
const typed = ref<string | null>(null)
function take(event: Event): void {
  const text = (event.target as HTMLInputElement).value
  typed.value = null
  if (text.trim() !== '' && !Number.isNaN(Number(text))) emit('set', Number(text))
}
</script>

<template>
  <input
    class="inline-field figures"
    type="number"
    :min="min"
    :max="max"
    :step="step"
    :value="typed ?? value"
    :disabled="disabled"
    :aria-label="label"
    @input="typed = ($event.target as HTMLInputElement).value"
    @change="take"
    @blur="typed = null"
    @keydown.esc="typed = null"
  />
</template>
