<script setup lang="ts">
import { ref, watch } from 'vue'
import { useShow, type Port, type Values } from '@/api/show'
import { lookUp, type Scope } from '@/kinds/parts'
import PartForm from '@/kinds/PartForm.vue'
import ControllerRest from './ControllerRest.vue'
import { lookingPort, newPort, numbered, type LinkDraft, type Look, type Protocol } from './draft'
import UniverseLinks from './UniverseLinks.vue'

const props = defineProps<{ port: Port | null; look?: Look }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const broadcasts = (show.data?.adapters ?? []).filter((one) => !one.address.startsWith('127.')).map((one) => one.broadcast)
const begun = (): Values => (props.look ? lookingPort(props.look, broadcasts) : newPort('art-net', show))
const draft = ref<Values>(props.port ? (JSON.parse(JSON.stringify(props.port)) as Values) : begun())
/** What was typed for each protocol is there again when one comes back to it. */
const begunAs = new Map<string, Values>()
watch(
  () => draft.value,
  (now, before) => {
    if (now.protocol === before.protocol) return
    begunAs.set(String(before.protocol), before)
    const { name, enabled, allow, folder } = before
    const kept = Object.fromEntries(Object.entries({ name, enabled, allow, folder }).filter(([, value]) => value !== undefined))
    draft.value = { ...(begunAs.get(String(now.protocol)) ?? newPort(now.protocol as Protocol, show)), ...kept }
  },
)
const protocolOf = (scope: Scope) => lookUp(scope, 'protocol') as Protocol
const isRanked = (scope: Scope) => lookUp(scope, 'lines') !== undefined
</script>

<template>
  <PartForm
    v-model="draft"
    list="ports"
    :part="port"
    :locked="port ? ['protocol'] : []"
    :before="numbered"
    @done="emit('done', $event)"
    @cancel="emit('cancel')"
  >
    <template #feeds="{ value, change, field, scope, fault }">
      <UniverseLinks
        :model-value="(value ?? []) as LinkDraft[]"
        :protocol="protocolOf(scope)"
        :label="field.label"
        :number-fault="(i) => fault?.(`receive/feeds/${i}/number`)"
        @update:model-value="change"
      />
    </template>
    <template #carries="{ value, change, field, scope, fault }">
      <UniverseLinks
        :model-value="(value ?? []) as LinkDraft[]"
        :protocol="protocolOf(scope)"
        :label="field.label"
        :ranked="isRanked(scope)"
        :number-fault="(i) => fault?.(`send/carries/${i}/number`)"
        @update:model-value="change"
      />
    </template>
    <template #centres="{ value, change, scope }">
      <ControllerRest
        :model-value="(value ?? []) as number[]"
        :device="String(lookUp(scope, 'link/device') ?? '')"
        @update:model-value="change"
      />
    </template>
  </PartForm>
</template>
