<script setup lang="ts">
import { computed, ref } from 'vue'
import { places, spellSlots } from '@/components/slots'
import { useShow, type Parameter, type Profile, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PartForm from '@/kinds/PartForm.vue'

const props = defineProps<{ profile: Profile | null }>()
const emit = defineEmits<{ done: []; cancel: [] }>()
const show = useShow()
const { failed, attempt } = useAttempt()
const draft = ref<Values>(
  props.profile
    ? (JSON.parse(JSON.stringify(props.profile)) as Values)
    : { parameters: [{ name: 'level', slots: 1, intensity: true }] },
)
/** The place of each parameter, counted from the fixture's address. */
const lines = computed(() => {
  const parameters = (draft.value.parameters ?? []) as Parameter[]
  return places(parameters).map((slots, i) => `${spellSlots(slots)}: ${parameters[i]?.name || '?'}`)
})
const remove = () =>
  attempt(async () => {
    await show.remove('profiles', props.profile?.id ?? '')
    emit('done')
  })
</script>

<template>
  <PartForm v-model="draft" list="profiles" :part="profile" @done="emit('done')" @cancel="emit('cancel')">
    <template #more>
      <p class="small">
        Slots from the fixture's address: <span class="figures">{{ lines.join(', ') }}</span>
      </p>
      <p class="quiet small">
        Where a universe merges slot by slot, the highest takes precedence for intensity, and the latest for everything else.
      </p>
      <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
    </template>
    <template #actions><v-btn color="error" @click="remove">Delete</v-btn></template>
  </PartForm>
</template>
