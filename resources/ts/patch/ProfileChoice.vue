<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useLibrary } from './library'

/** A profile of the show, or one of the library, which is taken into the show as soon as it is chosen. */
defineProps<{ errorMessages?: string }>()
const profile = defineModel<string | undefined>({ required: true })
const show = useShow()
const { profiles: library } = useLibrary()
const { failed, attempt } = useAttempt()
const FROM = 'library '
const items = computed(() => [
  ...show.profiles.map((one) => ({ value: one.id, title: one.name, note: '' })),
  ...library.value
    .filter((one) => !show.profiles.some((own) => own.id === one.id || own.name === one.name))
    .map((one) => ({ value: `${FROM}${one.id}`, title: one.name, note: 'from the library' })),
])
const choose = (chosen: string) =>
  attempt(async () => {
    const common = chosen.startsWith(FROM) ? library.value.find((one) => one.id === chosen.slice(FROM.length)) : undefined
    profile.value = common ? ((await show.add('profiles', common)).id ?? undefined) : chosen
  })
</script>

<template>
  <div class="wide">
    <v-autocomplete
      :model-value="profile"
      :items="items"
      label="Profile"
      :error-messages="failed || errorMessages"
      @update:model-value="$event && choose($event as string)"
    >
      <template #item="{ props: line, item }">
        <v-list-item v-bind="line" :subtitle="item.note || undefined" />
      </template>
    </v-autocomplete>
  </div>
</template>
