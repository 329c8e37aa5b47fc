<script setup lang="ts">
import { ref } from 'vue'
import { call } from '@/api/client'
import { useShow, type KindPart, type Surface } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import KindParts from '@/kinds/KindParts.vue'

/** Whole pages at once, by what the show has. */
const props = defineProps<{ surface: Surface }>()
const emit = defineEmits<{ done: [] }>()
const show = useShow()
const parts = ref<KindPart[]>([])
const { failed, attempt } = useAttempt()
const add = () =>
  attempt(async () => {
    await show.take(call('POST', `show/surfaces/${props.surface.id}/template`, parts.value[0] ?? {}))
    emit('done')
  })
</script>

<template>
  <form class="panel" aria-label="Templates" @submit.prevent="add">
    <h2>Add pages by a template</h2>
    <KindParts v-model="parts" of="template" title="Template" alone />
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary" :disabled="parts.length === 0">Add pages</v-btn>
      <v-btn @click="emit('done')">Cancel</v-btn>
    </div>
  </form>
</template>
