<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useBase } from '@/api/base'
import { useShow, type Copy } from '@/api/show'
import { useAttempt } from '@/components/attempt'

/** Parts of this universe that are laid down elsewhere, and what is laid down here. */
const props = defineProps<{ universe: string }>()
const show = useShow()
const base = useBase()
const session = useSession()
const mine = computed(() => show.copies.filter((one) => one.from.universe === props.universe || one.to.universe === props.universe))
interface Draft { id: string, name: string, enabled: boolean, fromUniverse: string, fromFirst: number, count: number, toUniverse: string, toFirst: number, repeat: number, limit: number | string }
const draft = ref<Draft | null>(null)
const { failed, attempt } = useAttempt()
watch(() => props.universe, () => { draft.value = null })

function sentence(copy: Copy): string {
  const count = copy.from.count ?? 1
  const repeat = copy.repeat ?? 1
  const end = Math.min(copy.limit ?? 512, copy.to.first + count * repeat - 1)
  return `Slots ${copy.from.first}–${copy.from.first + count - 1} of ${show.universeName(copy.from.universe)} are laid on ${copy.to.first}–${end} of ${show.universeName(copy.to.universe)}${repeat > 1 ? `, ${repeat} times end to end` : ''}${copy.limit && copy.to.first + count * repeat - 1 > copy.limit ? `, cut at ${copy.limit}` : ''}.`
}
function edit(copy: Copy | null): void {
  failed.value = ''
  base.begin()
  draft.value = {
    id: copy?.id ?? '', name: copy?.name ?? '', enabled: copy?.enabled ?? true, fromUniverse: copy?.from.universe ?? props.universe, fromFirst: copy?.from.first ?? 1, count: copy?.from.count ?? 1,
    toUniverse: copy?.to.universe ?? props.universe, toFirst: copy?.to.first ?? 1, repeat: copy?.repeat ?? 1, limit: copy?.limit ?? '',
  }
}
/** A form that was opened while the answer was on its way stays open. */
async function change(what: () => Promise<unknown>): Promise<void> {
  const mine = draft.value
  if (await attempt(what) && draft.value === mine) draft.value = null
}
const save = () => change(() => {
  const now = draft.value as Draft
  const part = {
    name: now.name, enabled: now.enabled, from: { universe: now.fromUniverse, first: Number(now.fromFirst), count: Number(now.count) }, to: { universe: now.toUniverse, first: Number(now.toFirst) },
    repeat: Number(now.repeat), ...(String(now.limit).trim() === '' ? {} : { limit: Number(now.limit) }),
  }
  return now.id ? base.save((at) => show.replace('copies', now.id, part, at)) : show.add('copies', part)
})
</script>

<template>
  <section aria-label="Copies">
    <h2>Copies</h2>
    <p v-if="mine.length === 0 && !draft" class="quiet small">A copy lays part of a universe down at another place, there or in another universe.</p>
    <div v-for="copy in mine" :key="copy.id" class="copy">
      <strong>{{ copy.name }}</strong><span v-if="copy.enabled === false" class="quiet"> switched off</span>
      <p class="small">{{ sentence(copy) }}</p>
      <p v-if="session.mayBuild"><button type="button" class="small-button" @click="edit(copy)">Change</button> <button type="button" class="small-button" :aria-label="`Delete ${copy.name}`" @click="change(() => show.remove('copies', copy.id))">Delete</button></p>
    </div>
    <form v-if="draft" class="fields form" aria-label="Copy" @submit.prevent="save">
      <v-text-field v-model="draft.name" label="Name of the copy" class="wide" autofocus />
      <v-select v-model="draft.fromUniverse" :items="show.universes" item-title="name" item-value="id" label="From" class="wide" />
      <v-text-field v-model.number="draft.fromFirst" type="number" label="its slot" />
      <v-text-field v-model.number="draft.count" type="number" label="so many slots" />
      <v-select v-model="draft.toUniverse" :items="show.universes" item-title="name" item-value="id" label="To" class="wide" />
      <v-text-field v-model.number="draft.toFirst" type="number" label="from slot" />
      <v-text-field v-model.number="draft.repeat" type="number" label="times, end to end" />
      <v-text-field v-model="draft.limit" type="number" label="Cut after slot; empty for 512" class="wide" />
      <v-switch v-model="draft.enabled" label="Copy on" class="wide" />
      <div class="actions wide"><v-btn type="submit" variant="flat" color="primary">{{ draft.id ? 'Save' : 'Add the copy' }}</v-btn><v-btn @click="draft = null">Cancel</v-btn></div>
    </form>
    <button v-else-if="session.mayBuild" type="button" class="small-button" @click="edit(null)">Add a copy</button>
    <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
  </section>
</template>

<style scoped>
h2 { margin-bottom: 6px; }
.copy { padding: 6px 0; border-top: 1px solid var(--rule); }
.form { margin-top: 12px; }
</style>
