<script setup lang="ts">
import { useSession } from '@/api/session'
import type { Page } from '@/api/showDocument'
import { useBuilding } from './building'

/** The pages of the surface that is built. */
const props = defineProps<{ pages: Page[]; at: number }>()
const emit = defineEmits<{ turn: [id: string]; settings: [] }>()
const building = useBuilding()
const session = useSession()
function add(): void {
  const surface = building.surface.value
  if (!surface) return
  const taken = new Set(props.pages.map((one) => one.id))
  let n = props.pages.length + 1
  while (taken.has(`page-${n}`)) n++
  const like = props.pages[props.at]
  const page = { id: `page-${n}`, name: `Page ${n}`, columns: like?.columns ?? 6, rows: like?.rows ?? 4 }
  void building.put({ ...surface, pages: [...props.pages, page] }).then(() => emit('turn', page.id))
}
</script>

<template>
  <nav class="tabs" aria-label="Pages of the surface">
    <button
      v-for="(one, i) in pages"
      :key="one.id"
      type="button"
      class="small-button"
      :aria-pressed="i === at"
      @click="emit('turn', one.id)"
    >
      {{ one.name }}
    </button>
    <template v-if="session.mayBuild && !building.isLocked.value">
      <button type="button" class="small-button" @click="add">Add page</button>
      <button type="button" class="small-button" @click="emit('settings')">Page settings</button>
    </template>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
</style>
