<script setup lang="ts">
import { ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useShowMode } from './showMode'

/** Locks everything but the live page and surfaces with a code, and unlocks it. */
const session = useSession()
const { by, isOn, failed, lock, unlock } = useShowMode()
const code = ref('')
const isAsked = ref(false)
watch(isOn, () => {
  isAsked.value = false
  code.value = ''
})
async function turn(): Promise<void> {
  await (isOn.value ? unlock(code.value) : lock(code.value))
  code.value = ''
}
</script>

<template>
  <div v-if="session.mayOperate || isOn" class="lock">
    <p v-if="isOn" role="status"><strong>Show mode</strong><br /><span class="quiet">by {{ by }}</span></p>
    <form v-if="isAsked && session.mayOperate" :aria-label="isOn ? 'Unlock' : 'Show mode'" @submit.prevent="turn">
      <input
        v-model="code"
        class="inline-field"
        :type="isOn ? 'password' : 'text'"
        inputmode="numeric"
        autocomplete="off"
        maxlength="12"
        :placeholder="isOn ? 'its code' : 'a code'"
        :aria-label="isOn ? 'The code' : 'A code, 4 to 12 digits'"
        autofocus
      />
      <button type="submit" class="small-button" :disabled="!/^\d{4,12}$/.test(code)">{{ isOn ? 'Unlock' : 'Lock' }}</button>
      <button type="button" class="small-button" @click="isAsked = false">Leave it</button>
      <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
    </form>
    <button
      v-else-if="session.mayOperate"
      type="button"
      class="small-button"
      title="Lock everything but the live page and surfaces with a code"
      @click="isAsked = true"
    >
      {{ isOn ? 'Unlock' : 'Show mode' }}
    </button>
  </div>
</template>

<style scoped>
.lock {
  padding: 8px 16px;
}
form {
  display: grid;
  gap: 6px;
}
input {
  width: 100%;
  min-width: 0;
}
</style>
