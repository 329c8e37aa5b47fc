<script setup lang="ts">
import { onUnmounted, ref, watch } from 'vue'
import { call } from '@/api/client'

/** What is wrong with a formula, while it is typed, and what may stand in one. */
const props = defineProps<{ text: string }>()
const answer = ref<{ problem: string; allowed: string } | null>(null)
let timer = 0
watch(
  () => props.text,
  (text) => {
    clearTimeout(timer)
    timer = window.setTimeout(async () => {
      const found = await call<{ problem: string; allowed: string }>('POST', 'formula', { text })
      if (text === props.text) answer.value = found
    }, 150)
  },
  { immediate: true },
)
onUnmounted(() => clearTimeout(timer))
</script>

<template>
  <p v-if="answer" class="small" role="status">
    <span v-if="answer.problem" class="wrong">{{ answer.problem }}. </span><span class="quiet">{{ answer.allowed }}</span>
  </p>
</template>
