<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'

const session = useSession()
const router = useRouter()
const route = useRoute()
const name = ref('')
const password = ref('')
const wrong = ref('')
const busy = ref(false)

async function login(): Promise<void> {
  busy.value = true
  wrong.value = ''
  try {
    await session.login(name.value, password.value)
    const next = String(route.query.next ?? '/')
    // A surface is a page of its own.
    if (next.startsWith('/s/')) location.assign(next)
    else await router.push(next.startsWith('/') && !next.startsWith('//') ? next : '/')
  } catch (error) {
    wrong.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="login">
    <form class="panel" @submit.prevent="login">
      <h1>Nimble Junction</h1>
      <p class="quiet">The links between desks and what they drive.</p>
      <v-text-field v-model="name" name="name" label="Name" autocomplete="username" autofocus required />
      <v-text-field
        v-model="password"
        name="password"
        label="Password"
        type="password"
        autocomplete="current-password"
        required
      />
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <v-btn type="submit" variant="flat" color="primary" block :loading="busy">Log in</v-btn>
    </form>
  </main>
</template>

<style scoped>
.login {
  position: fixed;
  inset: 0;
  overflow: auto;
  display: grid;
  place-items: center;
}
form {
  width: 340px;
  display: grid;
  gap: 16px;
}
</style>
