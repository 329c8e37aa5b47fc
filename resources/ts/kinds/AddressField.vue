<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { useHeardAddresses } from '@/live/heard'

/** An address that can be typed, with our own ones (or the broadcast addresses of our networks) one click away. */
const props = defineProps<{
  label: string
  offer: 'ours' | 'broadcast'
  many?: boolean
  disabled?: boolean
  errorMessages?: string
}>()
const address = defineModel<string>({ required: true })
const show = useShow()
const heard = useHeardAddresses()
/** Adapters by name: whatever address they have, and get. */
const names = computed(() => [...new Set((show.data?.adapters ?? []).map((one) => one.name))].filter((name) => name !== 'lo'))
const offers = computed(() =>
  props.offer === 'ours'
    ? [
        { value: '0.0.0.0', title: 'every adapter' },
        ...names.value.map((name) => ({ value: name, title: name })),
        ...(show.data?.adapters ?? []).map((one) => ({ value: one.address, title: `${one.address} (${one.name})` })),
      ]
    : (show.data?.adapters ?? [])
        .filter((one) => !one.address.startsWith('127.'))
        .map((one) => ({ value: one.broadcast, title: `everybody on ${one.name}` }))
        .concat(heard.value.slice(0, 8).map((one) => ({ value: one, title: `${one}, heard` }))),
)
function take(value: string): void {
  const now = address.value.split(/[\s,;]+/).filter(Boolean)
  if (!props.many) address.value = value
  else if (!now.includes(value)) address.value = [...now, value].join(', ')
}
</script>

<template>
  <div class="wide">
    <v-text-field v-model="address" :label="label" :disabled="disabled" :error-messages="errorMessages" />
    <p v-if="offers.length && !disabled" class="offers">
      <button v-for="one in offers" :key="one.value" type="button" class="small-button" @click="take(one.value)">
        {{ one.title }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.offers {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  margin-top: 4px;
}
</style>
