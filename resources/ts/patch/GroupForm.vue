<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow, type Group, type Values } from '@/api/show'
import PartForm from '@/kinds/PartForm.vue'

/** A group: its members in their order. */
const props = defineProps<{ group: Group | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const draft = ref<Values>(props.group ? { ...props.group } : { members: [] })
const members = computed(() => (draft.value.members ?? []) as string[])
const set = (now: string[]) => {
  draft.value = { ...draft.value, members: now }
}
const nameOf = (member: string) =>
  member.startsWith('group:')
    ? `Group ${show.groups.find((one) => one.id === member.slice(6))?.name ?? member.slice(6)}`
    : (show.fixtures.find((one) => one.id === member)?.name ?? member)
const others = computed(() => [
  ...show.fixtures.filter((one) => !members.value.includes(one.id)).map((one) => ({ value: one.id, title: one.name })),
  ...show.groups
    .filter((one) => one.id !== props.group?.id && !members.value.includes(`group:${one.id}`))
    .map((one) => ({ value: `group:${one.id}`, title: `Group ${one.name}` })),
])
function move(i: number, by: -1 | 1): void {
  const now = [...members.value]
  const [one] = now.splice(i, 1)
  if (one !== undefined) now.splice(Math.max(0, i + by), 0, one)
  set(now)
}
</script>

<template>
  <PartForm v-model="draft" list="groups" :part="group" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template #members="{ fault }">
      <section class="wide" aria-label="Members">
        <h3>Members, in their order</h3>
        <div v-for="(member, i) in members" :key="member" class="member">
          <span class="figures quiet">{{ i + 1 }}</span> <span>{{ nameOf(member) }}</span>
          <button
            type="button"
            class="small-button"
            :aria-label="`${nameOf(member)} up`"
            :disabled="i === 0"
            @click="move(i, -1)"
          >
            Up
          </button>
          <button
            type="button"
            class="small-button"
            :aria-label="`${nameOf(member)} down`"
            :disabled="i === members.length - 1"
            @click="move(i, 1)"
          >
            Down
          </button>
          <button
            type="button"
            class="small-button"
            :aria-label="`Take ${nameOf(member)} out`"
            @click="set(members.filter((one) => one !== member))"
          >
            Take out
          </button>
        </div>
        <v-autocomplete
          :model-value="null"
          :items="others"
          label="Add a fixture or a group"
          :error-messages="fault('members') ?? fault('members/0')"
          @update:model-value="$event && set([...members, $event as string])"
        />
      </section>
    </template>
  </PartForm>
</template>

<style scoped>
.member {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto auto auto;
  gap: 6px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
section > :last-child {
  margin-top: 10px;
}
</style>
