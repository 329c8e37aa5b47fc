<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Look, Values } from '@/api/show'
import { useShow } from '@/api/show'
import type { ValueOfAPoint } from '@/api/showDocument'
import PartForm from '@/kinds/PartForm.vue'
import GatherPanel from './GatherPanel.vue'
import ValueRows from './ValueRows.vue'
import { merged } from './values'

/** A look: its times, and its values, which may be taken from what is there. */
const props = defineProps<{ look: Look | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const draft = ref<Values>(props.look ? { ...props.look } : { values: [] })
const values = computed({
  get: () => (draft.value.values ?? []) as ValueOfAPoint[],
  set: (now) => {
    draft.value = { ...draft.value, values: now }
  },
})
const sets = computed(() => [...new Set(show.looks.map((one) => one.set).filter(Boolean))] as string[])
const take = (gathered: ValueOfAPoint[]) => {
  values.value = merged(values.value, gathered)
}
</script>

<template>
  <PartForm v-model="draft" list="looks" :part="look" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template #set="{ field, fault, change }">
      <v-combobox
        :model-value="(draft.set as string | undefined) ?? ''"
        :items="sets"
        :label="field.label"
        :title="field.help"
        :error-messages="fault('set')"
        @update:model-value="change($event || undefined)"
      />
    </template>
    <template #values="{ fault }">
      <GatherPanel :look="look?.id" @gathered="take" />
      <ValueRows v-model="values" :fault="fault" />
    </template>
  </PartForm>
</template>
