<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useShow, type Universe, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import PartForm from '@/kinds/PartForm.vue'

const props = defineProps<{ universe: Universe | null }>()
const emit = defineEmits<{ done: [id: string]; gone: []; cancel: [] }>()
const show = useShow()
const draft = ref<Values>({})
const asking = ref(false)
const { failed, attempt } = useAttempt()
// Another universe, not another edit of this one: what is half typed stays.
watch(
  () => props.universe?.id,
  () => {
    draft.value = props.universe ? (JSON.parse(JSON.stringify(props.universe)) as Values) : {}
  },
  { immediate: true },
)
/** Only a port that feeds it can be the chosen one. */
const feeding = computed(() =>
  show.ports.filter((port) => port.receive?.feeds?.some((link) => link.universe === props.universe?.id)),
)
const remove = () =>
  attempt(async () => {
    await show.remove('universes', props.universe?.id ?? '')
    emit('gone')
  })
</script>

<template>
  <PartForm
    :key="universe?.id ?? 'new'"
    v-model="draft"
    list="universes"
    :part="universe"
    @done="emit('done', $event)"
    @cancel="emit('cancel')"
  >
    <template #chosen="{ value, change, fault }"
      ><v-select
        :model-value="value"
        :items="feeding"
        item-title="name"
        item-value="id"
        class="wide"
        label="Chosen port"
        no-data-text="No port feeds this universe yet"
        :error-messages="fault('chosen')"
        @update:model-value="change($event)"
    /></template>
    <template #more>
      <p class="quiet small">
        The highest priority always wins first. A port can be a last resort: it is in control only when the others are gone.
      </p>
      <p v-if="asking">
        Delete "{{ universe?.name }}"? Ctrl+Z brings it back. <v-btn size="small" color="error" @click="remove">Delete it</v-btn>
        <v-btn size="small" @click="asking = false">Keep it</v-btn>
      </p>
      <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    </template>
    <template #actions><v-btn color="error" @click="asking = true">Delete</v-btn></template>
  </PartForm>
</template>
