<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Control, Page } from '@/api/showDocument'
import { useSession } from '@/api/session'
import PartFields from '@/kinds/PartFields.vue'
import { useDescriptions } from '@/kinds/kinds'
import { foldedAway } from '@/kinds/parts'
import { useStanding } from '@/kinds/standing'
import { changed } from './build'

/** What a control is, moves and looks like: stored by its button, or as soon as something else is chosen. */
const props = defineProps<{ control: Control }>()
const emit = defineEmits<{ put: [change: (page: Page) => Page] }>()
const descriptions = useDescriptions()
const session = useSession()
const fields = computed(() => {
  const pages = descriptions.value?.lists.surfaces.fields.find((one) => one.name === 'pages')?.part
  return pages?.fields.find((one) => one.name === 'controls')?.part?.fields ?? []
})
const isUnfolded = ref(false)
const PLACE = ['column', 'row', 'width', 'height']
const { draft, isChanged, store } = useStanding(
  () => props.control,
  () => fields.value,
  () => session.mayBuild,
  (values) => {
    const part = { ...values, id: props.control.id } as Control
    emit('put', (page) => changed(page, part))
  },
)
const hidden = computed(() => (isUnfolded.value ? PLACE : [...PLACE, ...foldedAway(fields.value, draft.value, () => false)]))
</script>

<template>
  <form class="panel" aria-label="Control" @submit.prevent="store">
    <h2>{{ control.name }}</h2>
    <p class="figures small quiet">{{ control.id }}</p>
    <fieldset class="bare fields" :disabled="!session.mayBuild">
      <PartFields v-model="draft" :fields="fields" :without="hidden" />
      <button v-if="!isUnfolded" type="button" class="small-button wide" @click="isUnfolded = true">More settings</button>
    </fieldset>
    <div v-if="session.mayBuild" class="actions">
      <v-btn type="submit" variant="flat" color="primary" :disabled="!isChanged">Save</v-btn>
    </div>
  </form>
</template>

<style scoped>
h2 {
  margin-bottom: 2px;
}
.fields {
  margin-top: 12px;
}
.actions {
  position: sticky;
  bottom: -1px;
  z-index: 2;
  margin: 12px -16px -16px;
  padding: 10px 16px;
  background: rgb(var(--v-theme-surface));
  border-top: 1px solid var(--rule);
}
</style>
