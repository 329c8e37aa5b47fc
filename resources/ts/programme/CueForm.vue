<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CueList, Values } from '@/api/show'
import type { Cue, ValueOfAPoint } from '@/api/showDocument'
import FormFrame from '@/kinds/FormFrame.vue'
import { useDescriptions } from '@/kinds/kinds'
import PartFields from '@/kinds/PartFields.vue'
import { foldedAway, tidied } from '@/kinds/parts'
import { useStoring } from '@/kinds/storing'
import { sorted } from './cues'
import GatherPanel from './GatherPanel.vue'
import ValueRows from './ValueRows.vue'
import { merged } from './values'

/** All of one cue: what does not stand in its line too. */
const props = defineProps<{ list: CueList; cue: Cue }>()
const emit = defineEmits<{ done: [] }>()
const descriptions = useDescriptions()
const { store, fault, wrong, busy, conflict } = useStoring('lists')
const draft = ref<Values>({ ...props.cue })
const fields = computed(() => descriptions.value?.lists.lists?.fields.find((one) => one.name === 'cues')?.part?.fields ?? [])
const place = computed(() => (props.list.cues ?? []).findIndex((one) => one.number === props.cue.number))
const values = computed({
  get: () => (draft.value.values ?? []) as ValueOfAPoint[],
  set: (now) => {
    draft.value = { ...draft.value, values: now }
  },
})
const isUnfolded = ref(false)
const folded = computed(() => (isUnfolded.value ? [] : foldedAway(fields.value, draft.value, (name) => Boolean(faultOf(name)))))
const faultOf = (path: string) => fault(`cues/${place.value}/${path}`)
async function save(): Promise<void> {
  const cue = tidied(draft.value, fields.value) as unknown as Cue
  const cues = (props.list.cues ?? []).map((one, i) => (i === place.value ? cue : one))
  const { id, ...list } = { ...props.list, cues: sorted(cues) }
  if ((await store(id, list)) !== null) emit('done')
}
</script>

<template>
  <FormFrame
    name="Cue"
    :title="`Cue ${cue.number}`"
    save="Save"
    :wrong="wrong"
    :busy="busy"
    :conflict="conflict"
    :content="draft"
    class="cue"
    @save="save"
    @cancel="emit('done')"
  >
    <fieldset class="bare fields">
      <PartFields v-model="draft" :fields="fields" :fault="faultOf" :without="folded">
        <template #values>
          <GatherPanel @gathered="values = merged(values, $event)" />
          <ValueRows v-model="values" :fault="faultOf" />
        </template>
      </PartFields>
      <button v-if="folded.length" type="button" class="small-button wide more" @click="isUnfolded = true">More settings</button>
    </fieldset>
  </FormFrame>
</template>

<style scoped>
.cue {
  margin-top: 16px;
}
.more {
  justify-self: start;
}
</style>
