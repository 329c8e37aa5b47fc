<script setup lang="ts">
import { ref, watch } from 'vue'
import { Refused } from '@/api/client'

/** The pass code of a surface, typed with large keys: to come in, or to leave a kiosk. */
const props = defineProps<{ name: string; note: string; given: (code: string) => Promise<unknown>; isWayOut?: boolean }>()
const emit = defineEmits<{ entered: []; back: [] }>()
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9']
const LONGEST = 12
const code = ref('')
const said = ref('')
const isAsking = ref(false)

async function ask(): Promise<void> {
  if (code.value.length < 4 || isAsking.value) return
  isAsking.value = true
  try {
    await props.given(code.value)
    emit('entered')
  } catch (refused) {
    said.value = refused instanceof Refused ? refused.message : 'That did not work: try again.'
  } finally {
    code.value = ''
    isAsking.value = false
  }
}
/** Whoever types again has read it. */
watch(code, (now) => {
  if (now !== '') said.value = ''
})
function type(digit: string): void {
  code.value = (code.value + digit).slice(0, LONGEST)
}
</script>

<template>
  <form class="door" @submit.prevent="ask">
    <h1>{{ name }}</h1>
    <p v-if="note">{{ note }}</p>
    <label for="code">{{ isWayOut ? 'Pass code, to leave the kiosk' : 'Pass code' }}</label>
    <input
      id="code"
      v-model="code"
      class="figures"
      type="password"
      inputmode="numeric"
      pattern="[0-9]*"
      autocomplete="off"
      :maxlength="LONGEST"
    />
    <p class="said" role="alert">{{ said }}</p>
    <div class="keys">
      <button v-for="key in KEYS" :key="key" type="button" @click="type(key)">{{ key }}</button>
      <button type="button" aria-label="Remove the last digit" @click="code = code.slice(0, -1)">←</button>
      <button type="button" @click="type('0')">0</button>
      <button type="submit" :disabled="code.length < 4 || isAsking">Enter</button>
    </div>
    <button v-if="isWayOut" type="button" @click="emit('back')">Back to the surface</button>
  </form>
</template>

<style scoped>
.door {
  display: flex;
  flex-direction: column;
  width: min(100%, 360px);
  margin: auto;
  padding: 24px 16px;
  gap: 10px;
}
h1,
p {
  margin: 0;
}
input {
  min-height: 56px;
  padding: 0 14px;
  border: 1px solid var(--rule);
  background: var(--plate);
  color: var(--ink);
  font-size: 28px;
  letter-spacing: 0.3em;
}
.said {
  min-height: 1.4em;
  color: var(--wrong);
}
.keys {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
button {
  min-height: 64px;
  border: 1px solid var(--rule);
  background: var(--plate);
  font-size: 22px;
}
button:disabled {
  border-style: dashed;
  color: var(--quiet);
}
</style>
