<script setup lang="ts">
import { ref } from 'vue'
import { Refused, type Fault } from '@/api/client'
import { useBase } from '@/api/base'
import { useShow, type KindPart, type Route } from '@/api/show'
import KindParts from '@/kinds/KindParts.vue'

/** A route step by step: when, if, what becomes of the value, and what is done. */
const props = defineProps<{ route: Route | null, name: string }>()
const emit = defineEmits<{ done: [id: string], cancel: [] }>()
const show = useShow()
const base = useBase()
const listOf = (value: unknown): KindPart[] => (Array.isArray(value) ? value as KindPart[] : value ? [value as KindPart] : [])
const name = ref(props.route?.name ?? props.name)
const enabled = ref(props.route?.enabled ?? true)
const when = ref(listOf(props.route?.when))
const conditions = ref(listOf(props.route?.if))
const steps = ref(listOf(props.route?.steps))
const actions = ref(listOf(props.route?.do))
const faults = ref<Fault[]>([])
const failed = ref('')

async function save(): Promise<void> {
  faults.value = []
  failed.value = ''
  const part = {
    name: name.value, enabled: enabled.value, when: when.value.length === 1 ? when.value[0] : when.value,
    ...(conditions.value.length ? { if: conditions.value } : {}), ...(steps.value.length ? { steps: steps.value } : {}), do: actions.value,
  }
  try {
    const id = props.route?.id
    if (id) await base.save((at) => show.replace('routes', id, part, at))
    emit('done', id ?? (await show.add('routes', part)).id ?? '')
  } catch (error) {
    failed.value = (error as Error).message
    if (error instanceof Refused) faults.value = error.faults
  }
}
const place = (path: string) => path.replace(/^\/routes\/\d+\//, '').replaceAll('/', ', ') || 'this'
</script>

<template>
  <form class="panel" aria-label="Route" @submit.prevent="save">
    <h2>{{ route ? 'Change the route' : 'New route' }}</h2>
    <div class="long">
      <slot />
      <v-text-field v-model="name" label="Name" autofocus />
      <v-switch v-model="enabled" label="Enabled" />
      <KindParts v-model="when" of="trigger" title="When any of these" />
      <KindParts v-model="conditions" of="condition" title="And only if" />
      <KindParts v-model="steps" of="step" title="What becomes of the value" />
      <KindParts v-model="actions" of="action" title="Then do" />
    </div>
    <div v-if="failed" class="wrong" role="alert"><p v-if="faults.length === 0">{{ failed }}</p><p v-for="fault in faults" :key="fault.path">{{ place(fault.path) }}: {{ fault.problem }}. {{ fault.allowed }}</p></div>
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary">{{ route ? 'Save' : 'Add the route' }}</v-btn>
      <v-btn @click="emit('cancel')">Cancel</v-btn>
    </div>
  </form>
</template>

<style scoped>
form h2 { margin-bottom: 12px; }
.long { display: grid; gap: 12px; }
</style>
