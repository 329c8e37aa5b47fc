<script setup lang="ts">
import { computed, ref } from 'vue'
import { places, readSlots, spellSlots } from '@/components/slots'
import { useBase } from '@/api/base'
import { useShow, type Parameter, type Profile } from '@/api/show'
import { useAttempt } from '@/components/attempt'

const props = defineProps<{ profile: Profile | null }>()
const emit = defineEmits<{ done: [], cancel: [] }>()
const show = useShow()
const base = useBase()
const name = ref(props.profile?.name ?? '')
const parameters = ref<Parameter[]>(props.profile?.parameters.map((one) => ({ ...one })) ?? [{ name: 'level', slots: 1, intensity: true }])
const { failed, attempt } = useAttempt()
const widths = [{ value: 1, title: '1 slot, 8 bit' }, { value: 2, title: '2 slots, 16 bit' }, { value: 3, title: '3 slots, 24 bit' }, { value: 4, title: '4 slots, 32 bit' }]
/** The place of each parameter, counted from the fixture's address. */
const offsets = computed(() => places(parameters.value).map(spellSlots))
const change = (at: number, fields: Partial<Parameter>) => { parameters.value = parameters.value.map((one, i) => (i === at ? { ...one, ...fields } : one)) }
function changeAt(at: number, text: string): void {
  const slots = readSlots(text)
  change(at, slots ? { at: slots, slots: slots.length } : { at: undefined })
}

const save = () => attempt(async () => {
  const part = { name: name.value, parameters: parameters.value }
  const id = props.profile?.id
  await (id ? base.save((at) => show.replace('profiles', id, part, at)) : show.add('profiles', part))
  emit('done')
})
</script>

<template>
  <form class="panel" aria-label="Profile" @submit.prevent="save">
    <h2>{{ profile ? `Change ${profile.name}` : 'New profile' }}</h2>
    <v-text-field v-model="name" label="Name of the profile" autofocus />
    <div v-for="(one, i) in parameters" :key="i" class="parameter">
      <span class="figures quiet">{{ offsets[i] }}</span>
      <v-text-field :model-value="one.name" label="Parameter" @update:model-value="change(i, { name: $event })" />
      <v-select :model-value="one.slots ?? 1" :items="widths" label="Takes" @update:model-value="(slots: number) => change(i, { slots, at: undefined })" />
      <v-text-field :model-value="one.at?.join(', ') ?? ''" label="At slots, if apart" :placeholder="offsets[i]" @change="changeAt(i, ($event.target as HTMLInputElement).value)" />
      <v-switch :model-value="one.intensity ?? false" label="Intensity" @update:model-value="change(i, { intensity: $event === true })" />
      <button type="button" class="small-button" :aria-label="`Take parameter ${i + 1} out`" @click="parameters = parameters.filter((_, k) => k !== i)">Remove</button>
    </div>
    <button type="button" class="small-button" @click="parameters = [...parameters, { name: '', slots: 1, intensity: false }]">Add a parameter</button>
    <p class="quiet small">Where a universe merges slot by slot, the highest takes precedence for intensity, and the latest for everything else.</p>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="actions"><v-btn type="submit" variant="flat" color="primary">{{ profile ? 'Save' : 'Add the profile' }}</v-btn><v-btn @click="emit('cancel')">Cancel</v-btn></div>
  </form>
</template>

<style scoped>
form { display: grid; gap: 10px; }
.parameter { display: grid; grid-template-columns: 48px 1fr 1fr; gap: 6px; align-items: center; border-top: 1px solid var(--rule); padding-top: 8px; }
.parameter .v-text-field:nth-of-type(2) { grid-column: 2; }
</style>
