<script setup lang="ts">
import { ref } from 'vue'
import type { ListName, Values } from '@/api/show'
import PartForm from './PartForm.vue'

/** A form as the class of its part describes it, and nothing besides; a new one begins with what is fresh. */
const props = defineProps<{
  list: ListName
  part: ({ id: string; name: string } & object) | null
  without?: string[]
  fresh?: Values
}>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const draft = ref<Values>(props.part ? { ...props.part } : { ...props.fresh })
</script>

<template>
  <PartForm v-model="draft" :list="list" :part="part" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template v-for="name in without" :key="name" #[name]><span /></template>
  </PartForm>
</template>
