<script setup lang="ts">
import { computed, ref } from 'vue'
import { useShow } from '@/api/show'
import type { ValueOfAPoint } from '@/api/showDocument'
import { useEngine } from '@/live/engine'
import type { Orders } from '@/live/messages'

/** Values for a look: of what leaves now, of what is held by hand, or of what one port sends. Only what is chosen is taken. */
/** The look that it is for, whose groups are named again. */
const props = defineProps<{ look?: string }>()
const emit = defineEmits<{ gathered: [values: ValueOfAPoint[]] }>()
type From = Orders['gather']
const EVERY = 'all'
const kinds = [EVERY, 'intensity', 'colour', 'position', 'beam', 'control', 'other'] as const
const show = useShow()
const engine = useEngine()
const from = ref<'leaves' | 'holds' | 'port' | 'look'>('leaves')
const other = ref('')
const port = ref('')
const group = ref('')
const kind = ref<(typeof kinds)[number]>(EVERY)
const lit = ref(true)
const said = ref('')
const ports = computed(() => show.ports.filter((one) => (one.receive as { feeds?: unknown[] } | undefined)?.feeds?.length))
/** What can be chosen: all, a group, or one fixture. */
const choices = computed(() => [
  { id: '', name: 'all fixtures' },
  ...show.groups.map((one) => ({ id: `group:${one.id}`, name: `Group ${one.name}` })),
  ...show.fixtures.map((one) => ({ id: one.id, name: one.name })),
])
function membersOf(id: string): string[] {
  if (!id.startsWith('group:')) return id === '' ? [] : [id]
  return (show.groups.find((one) => one.id === id.slice(6))?.members ?? []).flatMap(membersOf)
}
const others = computed(() => show.looks.filter((one) => one.id !== props.look))
function told(values: ValueOfAPoint[]): void {
  said.value = `${values.length === 1 ? '1 value' : `${values.length} values`} taken.`
  emit('gathered', values)
}
async function take(): Promise<void> {
  if (from.value === 'look') return told((others.value.find((one) => one.id === other.value) ?? others.value[0])?.values ?? [])
  const order = { from: from.value, fixtures: membersOf(group.value), kind: kind.value, lit: lit.value, look: props.look } as From
  const answer = await engine.gather(from.value === 'port' ? { ...order, port: port.value || ports.value[0]?.id } : order)
  if (answer.ok) told((answer.values ?? []).map(({ point, value }) => ({ point, value })))
  else said.value = answer.error ?? ''
}
</script>

<template>
  <section class="wide gather" aria-label="Take values">
    <label
      >From
      <select v-model="from" class="inline-field">
        <option value="leaves">what leaves now</option>
        <option value="holds">what is held by hand</option>
        <option value="port">what a port receives</option>
        <option v-if="others.length" value="look">another look</option>
      </select></label
    >
    <label v-if="from === 'port'"
      >Port
      <select v-model="port" class="inline-field">
        <option v-for="one in ports" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label v-if="from === 'look'"
      >Look
      <select v-model="other" class="inline-field">
        <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label v-if="from !== 'look'"
      >Of
      <select v-model="group" class="inline-field">
        <option v-for="one in choices" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label v-if="from !== 'look'"
      >Kind
      <select v-model="kind" class="inline-field">
        <option v-for="one in kinds" :key="one" :value="one">{{ one }}</option>
      </select></label
    >
    <label v-if="from !== 'look'" class="check"><input v-model="lit" type="checkbox" /> only what is lit</label>
    <button type="button" class="small-button" @click="take">Take values</button>
    <span v-if="said" class="small" role="status">{{ said }}</span>
  </section>
</template>

<style scoped>
.gather {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.check {
  white-space: nowrap;
}
</style>
