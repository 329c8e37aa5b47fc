<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '@/api/session'
import { ROLES, type Person, type Role, type usePeople } from './people'

/** Somebody who may log in: their role, another password, out everywhere, away. */
const props = defineProps<{ person: Person; all: ReturnType<typeof usePeople> }>()
const emit = defineEmits<{ said: [words: string] }>()
const session = useSession()
const password = ref<string | null>(null)
/** Removing is asked for twice. */
const isSure = ref(false)
async function deed(words: string, done: Promise<unknown>): Promise<void> {
  emit('said', '')
  await done
  if (!props.all.failed.value) emit('said', words)
}
const setRole = (role: Role) => deed(`${props.person.name} is ${role} now.`, props.all.setRole(props.person.id, role))
async function keep(): Promise<void> {
  await deed(
    `${props.person.name} has another password, and logs in with it.`,
    props.all.setPassword(props.person.id, password.value ?? ''),
  )
  if (!props.all.failed.value) password.value = null
}
</script>

<template>
  <li>
    <strong class="name">{{ person.name }}</strong>
    <span v-if="person.name === session.user?.name" class="quiet small">you</span>
    <span class="spring" />
    <select
      class="inline-field"
      :value="person.role"
      :aria-label="`Role of ${person.name}`"
      @change="setRole(($event.target as HTMLSelectElement).value as Role)"
    >
      <option v-for="one in ROLES" :key="one.value" :value="one.value">{{ one.title }}</option>
    </select>
    <button type="button" class="small-button" :aria-expanded="password !== null" @click="password = password === null ? '' : null">
      Set password
    </button>
    <button
      type="button"
      class="small-button"
      @click="deed(`${person.name} is logged out everywhere else.`, all.logOut(person.id))"
    >
      Log out everywhere
    </button>
    <button v-if="!isSure" type="button" class="small-button" :aria-label="`Remove ${person.name}`" @click="isSure = true">
      Remove
    </button>
    <button
      v-else
      type="button"
      class="small-button wrong"
      @click="deed(`${person.name} may not log in any more.`, all.remove(person.id)).then(() => (isSure = false))"
      @blur="isSure = false"
    >
      Remove {{ person.name }}?
    </button>
    <form v-if="password !== null" class="password" :aria-label="`Password of ${person.name}`" @submit.prevent="keep">
      <input
        v-model="password"
        type="password"
        class="inline-field"
        autocomplete="new-password"
        placeholder="another password, 8 letters at least"
        aria-label="Another password"
      />
      <button type="submit" class="small-button" :disabled="password.length < 8">Keep</button>
    </form>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.name {
  overflow-wrap: anywhere;
}
.spring {
  flex: 1;
}
.password {
  display: flex;
  flex-basis: 100%;
  gap: 8px;
}
.password input {
  flex: 1;
  max-width: 320px;
}
</style>
