<script setup lang="ts">
import { ref } from 'vue'
import type { Surface, Values } from '@/api/show'
import PartForm from '@/kinds/PartForm.vue'

/** What a surface is called, and who may use it; its pages are built elsewhere. */
const props = defineProps<{ surface: Surface | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const draft = ref<Values>(props.surface ? { ...props.surface } : { pages: [{ id: 'page', name: 'Page 1', columns: 6, rows: 4 }] })
</script>

<template>
  <PartForm v-model="draft" list="surfaces" :part="surface" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template #pages><span /></template>
  </PartForm>
</template>
