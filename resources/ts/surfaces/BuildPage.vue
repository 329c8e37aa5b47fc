<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import { useDescriptions } from '@/kinds/kinds'
import { added, controlsOf } from './build'
import BuildGrid from './BuildGrid.vue'
import BuildKeys from './BuildKeys.vue'
import ControlForm from './ControlForm.vue'
import PageForm from './PageForm.vue'
import PageTabs from './PageTabs.vue'
import PreviewSize from './PreviewSize.vue'
import { provideBuilding } from './building'
import TemplatePanel from './TemplatePanel.vue'

/** A surface being built: its kinds of controls, its grid, and what is selected. */
const route = useRoute()
const router = useRouter()
const show = useShow()
const session = useSession()
const descriptions = useDescriptions()
const stored = computed(() => show.surfaces.find((one) => one.id === route.params.id) ?? null)
const building = provideBuilding(() => stored.value, String(route.params.id))
const { surface, at, selected, failed } = building
const pages = computed(() => surface.value?.pages ?? [])
const page = computed(() => pages.value[at.value] ?? null)
const chosen = computed(() => (page.value ? controlsOf(page.value).filter((one) => selected.value.has(one.id)) : []))
const kinds = computed(() => descriptions.value?.kinds.controlKind ?? [])
const isKept = computed(() => surface.value?.locked === true)
const mayChange = computed(() => session.mayBuild && !building.isLocked.value)
const keep = () => surface.value && building.put({ ...surface.value, locked: !isKept.value })
const side = ref<'control' | 'page' | 'template'>('control')
watch(
  () => [route.params.page, pages.value.length] as const,
  () => {
    const place = pages.value.findIndex((one) => one.id === route.params.page)
    at.value = Math.max(0, place)
  },
  { immediate: true },
)
watch(selected, (now) => {
  if (now.size > 0) side.value = 'control'
})
const turn = (id: string) => {
  selected.value = new Set()
  void router.replace(`/surfaces-build/${surface.value?.id}/${id}`)
}

/** What some kinds cannot be without: the first that the show has, until another one is chosen. */
const needed: Record<string, () => object> = {
  slots: () => ({ universe: show.universes[0]?.id }),
  tempo: () => ({ tempo: show.tempos[0]?.id }),
}
function add(kind: string, label: string, place?: { column: number; row: number }): void {
  if (!surface.value) return
  const done = added(surface.value, at.value, kind, label, needed[kind]?.() ?? {}, place)
  if (!done) {
    failed.value = 'There is no room on this page: make the grid larger, or a control smaller.'
    return
  }
  selected.value = new Set([done.id])
  void building.put(done.surface)
}
function drop(event: { kind: string; column: number; row: number }): void {
  const kind = kinds.value.find((one) => one.kind === event.kind)
  if (kind) add(kind.kind, kind.label, event)
}
const drag = (event: DragEvent, kind: string) => event.dataTransfer?.setData('application/x-control', kind)
</script>

<template>
  <div class="page build">
    <div class="page-head">
      <h1>{{ surface?.name ?? 'Surface' }}</h1>
      <PageTabs v-if="surface" :pages="pages" :at="at" @turn="turn" @settings="side = 'page'" />
      <span class="spring" />
      <PreviewSize v-model="building.preview.value" />
      <button
        type="button"
        class="small-button"
        :aria-pressed="building.isTried.value"
        @click="building.isTried.value = !building.isTried.value"
      >
        {{ building.isTried.value ? 'Build on' : 'Try it' }}
      </button>
      <button v-if="session.mayBuild && surface" type="button" class="small-button" :aria-pressed="isKept" @click="keep">
        {{ isKept ? 'Unlock' : 'Lock' }}
      </button>
      <v-btn :to="`/surfaces/${route.params.id}`">Address and guests</v-btn>
    </div>
    <GoneNote :id="route.params.id" what="surface" :all="show.surfaces" path="/surfaces" :loaded="show.document !== undefined" />
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div v-if="surface && page" class="desk" :class="{ plain: !mayChange }">
      <section v-if="mayChange" class="kinds" aria-label="Controls to add">
        <button
          v-for="kind in kinds"
          :key="kind.kind"
          type="button"
          class="small-button"
          draggable="true"
          @dragstart="drag($event, kind.kind)"
          @click="add(kind.kind, kind.label)"
        >
          {{ kind.label }}
        </button>
        <button type="button" class="small-button template" :aria-pressed="side === 'template'" @click="side = 'template'">
          Templates
        </button>
      </section>
      <div class="middle">
        <p v-if="isKept" class="small quiet">Locked: its pages stay as they are until it is unlocked. Its controls work.</p>
        <BuildKeys v-if="mayChange" :page="page" :count="chosen.length" />
        <BuildGrid :page="page" @drop="drop" />
      </div>
      <div v-if="mayChange" class="side">
        <TemplatePanel v-if="side === 'template'" :surface="surface" @done="side = 'control'" />
        <PageForm v-else-if="side === 'page'" :page="page" :count="pages.length" @done="side = 'control'" />
        <ControlForm
          v-else-if="chosen.length === 1"
          :key="chosen[0]!.id"
          :control="chosen[0]!"
          @put="building.put({ ...surface, pages: pages.map($event) })"
        />
        <section v-else class="panel" aria-label="Selection">
          <h2>{{ chosen.length === 0 ? 'Nothing selected' : `${chosen.length} controls selected` }}</h2>
          <p class="quiet">
            Press a kind on the left, or drag it onto the grid. Click a control to change it, Shift-click for several; drag it to
            move it, and its corner to size it. Arrow keys move what is selected, with Shift they size it.
          </p>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.build {
  display: flex;
  flex-direction: column;
}
.desk {
  display: grid;
  flex: 1;
  grid-template-columns: 108px minmax(0, 1fr) 380px;
  gap: 16px;
  min-height: 0;
}
.desk.plain {
  grid-template-columns: minmax(0, 1fr);
}
.kinds {
  display: flex;
  flex-direction: column;
  gap: 4px;
  overflow: auto;
}
.kinds .small-button {
  text-align: left;
  min-height: 34px;
}
.template {
  margin-top: 12px;
}
.middle {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  min-height: 0;
}
.side {
  overflow: auto;
  min-height: 0;
}
@media (max-width: 900px) {
  .desk {
    grid-template-columns: minmax(0, 1fr);
  }
  .kinds {
    flex-direction: row;
    flex-wrap: wrap;
  }
}
</style>
