<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useShow } from '@/api/show'

/** Another universe, found by typing its name or one of its numbers. */
const props = defineProps<{ chosen: string }>()
const show = useShow()
const router = useRouter()
const items = computed(() =>
  show.universes.map((one) => ({
    value: one.id,
    title: one.name,
    text: `${one.name} ${(show.data?.numbering[one.id] ?? []).join(' ')}`.toLowerCase(),
  })),
)
const finds = (_: string, typed: string, item?: { raw: { text: string } }) =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => item?.raw.text.includes(word) ?? false)
function go(id: string | null): void {
  if (id && id !== props.chosen)
    void router.push({ path: `/universes/${id}`, query: router.currentRoute.value.query.list ? { list: '1' } : {} })
}
</script>

<template>
  <v-autocomplete
    :model-value="chosen"
    :items="items"
    :custom-filter="finds"
    class="choice"
    label="Universe"
    auto-select-first
    @update:model-value="go"
  />
</template>

<style scoped>
.choice {
  max-width: 260px;
}
</style>
