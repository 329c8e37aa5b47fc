<script setup lang="ts">
import { computed, ref } from 'vue'
import { call, Refused } from '@/api/client'
import { useShow, type PartDescription, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import FormFrame from '@/kinds/FormFrame.vue'
import PartFields from '@/kinds/PartFields.vue'
import { tidied } from '@/kinds/parts'

/** A figure of pan and tilt: it becomes waves, which are found in the list then. */
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const description = ref<PartDescription | null>(null)
const draft = ref<Values>({})
const wrong = ref<string[]>([])
const { attempt, failed } = useAttempt()
void attempt(async () => {
  description.value = await call<PartDescription>('GET', 'show/figure')
})
const chosen = computed(() => draft.value.of as string | undefined)
const choices = computed(() => [
  ...show.groups.map((one) => ({ id: `group:${one.id}`, name: `Group ${one.name}` })),
  ...show.fixtures.map((one) => ({ id: `fixture:${one.id}`, name: one.name })),
])
async function save(): Promise<void> {
  wrong.value = []
  try {
    const answer = await show.take(
      call('POST', 'show/figure', tidied(draft.value, description.value?.fields ?? []), show.data?.revision),
    )
    emit('done', answer.ids?.[0] ?? '')
  } catch (error) {
    wrong.value =
      error instanceof Refused && error.faults.length > 0
        ? error.faults.map((fault) => `${fault.path.slice(1)}: ${fault.problem}. ${fault.allowed}`)
        : [(error as Error).message]
  }
}
</script>

<template>
  <FormFrame
    name="Figure"
    title="New figure"
    save="Add the figure"
    :wrong="[...wrong, ...(failed ? [failed] : [])]"
    :busy="false"
    :content="draft"
    @save="save"
    @cancel="emit('cancel')"
  >
    <p class="small quiet">Pan and tilt go round where they stand: it is added to what a desk, a look or a cue asks for.</p>
    <fieldset v-if="description" class="bare fields">
      <PartFields v-model="draft" :fields="description.fields">
        <template #of="{ field, change }">
          <v-autocomplete
            :model-value="chosen"
            :items="choices"
            item-title="name"
            item-value="id"
            class="wide"
            :label="field.label"
            @update:model-value="change($event ?? undefined)"
          />
        </template>
      </PartFields>
    </fieldset>
  </FormFrame>
</template>
