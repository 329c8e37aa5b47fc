<script setup lang="ts">
import { ref } from 'vue'
import type { ListName, Values } from '@/api/show'
import PartForm from '@/kinds/PartForm.vue'

/** A form as the class of its part describes it, and nothing besides. */
const props = defineProps<{ list: ListName; part: ({ id: string; name: string } & object) | null; without?: string[] }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const draft = ref<Values>(props.part ? { ...props.part } : {})
</script>

<template>
  <PartForm v-model="draft" :list="list" :part="part" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template v-for="name in without" :key="name" #[name]><span /></template>
  </PartForm>
</template>
