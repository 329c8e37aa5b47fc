<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import PixelForm from './PixelForm.vue'
import PixelPanel from './PixelPanel.vue'

/** Pixel maps: strips and panels whose pixels each listen to slots of their own. */
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const side = ref<'map' | 'change' | 'new'>('map')
const chosen = computed(() => show.pixels.find((one) => one.id === route.params.id) ?? null)
watch(
  () => route.params.id,
  () => {
    side.value = 'map'
  },
)
const spansOf = (id: string) => (show.data?.patch ?? []).filter((one) => one.pixels?.map === id)
const rows = computed<Row[]>(() =>
  show.pixels.map((one) => {
    const spans = spansOf(one.id)
    return {
      id: one.id,
      name: one.name,
      state: spans.every((span) => span.shares.every((other) => other.meant)) ? 'alone' : 'shares slots',
      text: [one.place, ...spans.map((span) => `${show.universeName(span.universe)} ${span.first}–${span.last}`)]
        .filter(Boolean)
        .join(', '),
    }
  }),
)
const open = (what: typeof side.value) =>
  onceLeft(() => {
    side.value = what
  })
const choose = (id: string) => void router.push(`/patch-pixels/${id}`)
function done(id: string): void {
  side.value = 'map'
  void router.push(id ? `/patch-pixels/${id}` : '/patch-pixels')
}
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Pixels</h1>
      <span class="quiet">Strips and panels, pixel by pixel.</span><span class="spring" />
      <v-btn to="/patch">Patch</v-btn>
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" :disabled="show.universes.length === 0" @click="open('new')"
        >Add a pixel map</v-btn
      >
    </div>
    <GoneNote
      :id="route.params.id"
      what="pixel map"
      :all="show.pixels"
      path="/patch-pixels"
      :loaded="show.document !== undefined"
    />
    <div class="split wide-side">
      <div class="lists">
        <p v-if="show.document && show.pixels.length === 0" class="empty">
          No pixel maps yet. A map says where each pixel of a strip or a panel is, and which slots it listens to.
        </p>
        <PartList v-else list="pixels" what="pixel maps" :rows="rows" :chosen="chosen?.id" class="tall" @choose="choose">
          <template #row="{ row }"
            ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span>
            <span v-if="row.state === 'shares slots'" class="wrong small">shares slots</span></template
          >
        </PartList>
      </div>
      <SideSheet
        :open="side !== 'map' || Boolean(route.params.id)"
        :closes="side === 'map'"
        @close="router.push('/patch-pixels')"
      >
        <PixelForm v-if="side === 'new'" key="new" :map="null" @done="done" @cancel="side = 'map'" />
        <PixelForm v-else-if="side === 'change' && chosen" :key="chosen.id" :map="chosen" @done="done" @cancel="side = 'map'" />
        <PixelPanel v-else-if="chosen" :key="`panel ${chosen.id}`" :map="chosen" @change="side = 'change'" @gone="done('')" />
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.sized {
  container-type: size;
}
.split > * {
  max-height: calc(100cqh - 52px);
  overflow: auto;
}
@media (min-width: 901px) {
  .wide-side {
    grid-template-columns: minmax(220px, 1fr) minmax(0, 2fr);
  }
}
.lists {
  display: flex;
  flex-direction: column;
}
.tall {
  min-height: 200px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .split > * {
    max-height: none;
  }
}
</style>
