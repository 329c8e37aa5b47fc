<script setup lang="ts">
import { ref } from 'vue'
import { ROLES, type Role, type usePeople } from './people'

/** Somebody else may log in. */
const props = defineProps<{ all: ReturnType<typeof usePeople> }>()
const emit = defineEmits<{ said: [words: string] }>()
const name = ref('')
const role = ref<Role>('operator')
const password = ref('')
async function add(): Promise<void> {
  emit('said', '')
  await props.all.add(name.value, role.value, password.value)
  if (props.all.failed.value) return
  emit('said', `${name.value.trim()} may log in as ${role.value}.`)
  name.value = password.value = ''
}
</script>

<template>
  <section class="panel">
    <h2>Add somebody</h2>
    <form aria-label="Add somebody" @submit.prevent="add">
      <v-text-field v-model="name" label="Name" maxlength="60" autocomplete="off" hide-details />
      <v-select v-model="role" :items="ROLES" label="Role" hide-details />
      <v-text-field
        v-model="password"
        label="Password, 8 letters at least"
        type="password"
        autocomplete="new-password"
        hide-details
      />
      <v-btn type="submit" variant="flat" color="primary" :disabled="name.trim() === '' || password.length < 8">Add</v-btn>
    </form>
  </section>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
