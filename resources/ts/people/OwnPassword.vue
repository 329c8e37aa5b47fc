<script setup lang="ts">
import { ref } from 'vue'
import { call } from '@/api/client'
import { useAttempt } from '@/components/attempt'

/** One's own password, by whoever knows the one of now. */
const emit = defineEmits<{ said: [words: string] }>()
const { failed, attempt } = useAttempt()
const now = ref('')
const next = ref('')
const keep = () =>
  attempt(async () => {
    await call('PUT', 'session/password', { now: now.value, password: next.value })
    now.value = next.value = ''
    emit('said', 'You have another password; wherever else you were logged in, you are logged out.')
  })
</script>

<template>
  <section class="panel">
    <h2>Your own password</h2>
    <form aria-label="Your own password" @submit.prevent="keep">
      <v-text-field v-model="now" label="The one of now" type="password" autocomplete="current-password" hide-details />
      <v-text-field
        v-model="next"
        label="Another one, 8 letters at least"
        type="password"
        autocomplete="new-password"
        hide-details
      />
      <v-btn type="submit" :disabled="now === '' || next.length < 8">Change it</v-btn>
      <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
    </form>
  </section>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
