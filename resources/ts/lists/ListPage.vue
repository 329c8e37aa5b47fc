<script setup lang="ts" generic="T extends { id: string; name: string }">
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type ListName } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from './PartList.vue'
import type { Row } from './rows'

/** A list of the show on the left, and on the right one of its parts, its form, or whatever else a page has. */
const props = defineProps<{
  list: ListName
  title: string
  note: string
  /** What one of them is called, and several. */
  what: string
  whats: string
  path: string
  parts: T[]
  rows: Row[]
  /** What is said while there are none. */
  empty: string
  cannotAdd?: boolean
  /** Whether what is shown of a part is its form already, with a way out of its own. */
  isForm?: boolean
  /** Columns of the two sides, where they are otherwise than usual. */
  columns?: string
  /** The page that it belongs to, where that is not the patch. */
  of?: { path: string; name: string }
}>()
/** What is on the right: "" for the part itself, "new" and "change" for forms, or a slot of the page's own. */
const side = defineModel<string>('side', { default: '' })
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const chosen = computed(() => props.parts.find((one) => one.id === route.params.id) ?? null)
watch(
  () => route.params.id,
  () => {
    side.value = ''
  },
)
const open = (what: string) =>
  onceLeft(() => {
    side.value = what
  })
const choose = (id: string) => void router.push(`${props.path}/${id}`)
function done(id: string): void {
  side.value = ''
  void router.push(id ? `${props.path}/${id}` : props.path)
}
const cancel = () => {
  if (side.value === '') void router.push(props.path)
  else side.value = ''
}
const closes = computed(() => (side.value === '' ? !props.isForm : !['new', 'change'].includes(side.value)))
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>{{ title }}</h1>
      <slot name="tabs" /><span class="quiet">{{ note }}</span><span class="spring" />
      <v-btn :to="of?.path ?? '/patch'">{{ of?.name ?? 'Patch' }}</v-btn>
      <slot name="head" :open="open" />
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" :disabled="cannotAdd" @click="open('new')"
        >Add {{ /^[aeio]/.test(what) ? 'an' : 'a' }} {{ what }}</v-btn
      >
    </div>
    <GoneNote :id="route.params.id" :what="what" :all="parts" :path="path" :loaded="show.document !== undefined" />
    <div class="split" :style="{ '--columns': columns }">
      <div class="lists">
        <p v-if="show.document && parts.length === 0" class="empty">{{ empty }}</p>
        <PartList v-else :list="list" :what="whats" :rows="rows" :chosen="chosen?.id" class="tall" @choose="choose">
          <template #row="{ row }"><slot name="row" :row="row" /></template>
        </PartList>
      </div>
      <SideSheet :open="side !== '' || Boolean(route.params.id)" :closes="closes" @close="cancel">
        <slot v-if="side === 'new'" name="form" :part="null" :done="done" :cancel="cancel" />
        <slot v-else-if="side === 'change' && chosen" name="form" :part="chosen" :done="done" :cancel="cancel" />
        <slot v-else-if="side !== ''" name="other" :part="chosen" :done="done" />
        <slot
          v-else-if="chosen"
          name="panel"
          :part="chosen"
          :change="() => open('change')"
          :gone="() => done('')"
          :done="done"
          :cancel="cancel"
        />
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.sized {
  container-type: size;
}
.split {
  grid-template-columns: var(--columns, minmax(0, 1fr) 430px);
}
.split > * {
  max-height: calc(100cqh - 52px);
  overflow: auto;
  /* What is scrolled to is not under the bar of a form. */
  scroll-padding-bottom: 72px;
}
.lists {
  display: flex;
  flex-direction: column;
}
.tall {
  min-height: 200px;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
  .split > * {
    max-height: none;
  }
}
</style>
