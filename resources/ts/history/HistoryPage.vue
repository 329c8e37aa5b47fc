<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { difference, goBack, historyBefore, nameEdit, undoEdit, wayBack, type Difference, type EditLine } from '@/api/history'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import SideSheet from '@/components/SideSheet.vue'
import DifferenceTable from './DifferenceTable.vue'
import { dayOf, timeOf } from './times'

/** The edits of the show as a line with stations: who, when, what, the difference, and the way back to any of them. */
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const edits = ref<EditLine[]>([])
const count = ref(0)
const size = ref('')
const more = ref(false)
const search = ref('')
const chosen = ref<EditLine | null>(null)
const changed = ref<Difference | null>(null)
const way = ref<Difference | null>(null)
const point = ref('')

async function load(before?: number): Promise<void> {
  await attempt(async () => {
    const page = await historyBefore(before)
    edits.value = before === undefined ? page.edits : [...edits.value, ...page.edits]
    more.value = page.more
    count.value = Number(page.count)
    size.value = `${Math.ceil(page.bytes / 104857.6) / 10} of ${page.mostBytes / 1048576} MB`
    if (chosen.value) chosen.value = edits.value.find((one) => one.id === chosen.value?.id) ?? null
  })
}
watch(
  () => show.data?.revision,
  () => load(),
  { immediate: true },
)

async function choose(edit: EditLine): Promise<void> {
  chosen.value = edit
  changed.value = way.value = null
  point.value = edit.point ?? ''
  await attempt(async () => {
    const found = await difference(edit.id)
    if (chosen.value?.id === edit.id) changed.value = found
  })
}
const shown = computed(() => {
  const words = search.value.toLowerCase()
  return edits.value.filter((one) => `${one.what} ${one.by} ${one.point ?? ''}`.toLowerCase().includes(words))
})
const newest = computed(() => edits.value[0]?.id)
const isTakenBack = (edit: EditLine) => edit.undone && (edit.kind === 'edit' || edit.kind === 'back')
async function name(to: string | null): Promise<void> {
  const edit = chosen.value
  if (edit && (await attempt(() => nameEdit(edit.id, to)))) await load()
}
async function go(): Promise<void> {
  const edit = chosen.value
  if (edit && (await attempt(() => goBack(edit.id)))) way.value = null
}
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>History</h1>
      <span class="quiet"
        >{{ count }} {{ count === 1 ? 'edit' : 'edits' }} of {{ show.document?.name }}, {{ size }}. Beyond that the oldest are
        joined.</span
      >
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="sides">
      <div class="line">
        <v-text-field v-model="search" label="Search edits, people, points" clearable @click:clear="search = ''" />
        <p v-if="count === 0" class="quiet">Nothing has been changed yet. Whatever is changed from now on stands here.</p>
        <ol aria-label="Edits, the newest first">
          <template v-for="(edit, i) in shown" :key="edit.id">
            <li v-if="dayOf(edit.at) !== dayOf(shown[i - 1]?.at ?? '')" class="day">{{ dayOf(edit.at) }}</li>
            <li class="station" :class="{ named: edit.point, gone: isTakenBack(edit) }">
              <button type="button" class="row-button" :aria-current="chosen?.id === edit.id" @click="choose(edit)">
                <span class="figures">{{ timeOf(edit.at) }}</span>
                <span class="who">{{ edit.by }}</span>
                <span class="what"
                  ><b v-if="edit.point">{{ edit.point }}: </b>{{ edit.what
                  }}<template v-if="isTakenBack(edit)"> (undone)</template></span
                >
              </button>
            </li>
          </template>
        </ol>
        <v-btn v-if="more" @click="load(edits.at(-1)?.id)">Show older edits</v-btn>
      </div>
      <SideSheet :open="chosen !== null" @close="chosen = null">
        <aside v-if="chosen" class="panel" aria-label="Edit">
          <h2>{{ chosen.what }}</h2>
          <p class="quiet">{{ chosen.by }}, {{ dayOf(chosen.at) }} {{ timeOf(chosen.at) }}, revision {{ chosen.revision }}</p>
          <h3>What it changed</h3>
          <DifferenceTable v-if="changed" :difference="changed" />
          <template v-if="session.mayBuild">
            <form class="name" @submit.prevent="name(point)">
              <v-text-field v-model="point" label="Name of this point" maxlength="120" />
              <v-btn type="submit" :disabled="point === (chosen.point ?? '')">Name it</v-btn>
            </form>
            <div class="actions">
              <v-btn v-if="chosen.id !== newest" @click="attempt(async () => (way = await wayBack(chosen?.id ?? 0)))"
                >Go back to here</v-btn
              >
              <v-btn
                v-if="!chosen.undone && (chosen.kind === 'edit' || chosen.kind === 'back')"
                @click="attempt(() => undoEdit(chosen?.id ?? 0))"
                >Undo this edit alone</v-btn
              >
            </div>
            <div v-if="way" class="ask">
              <h3>Going back would change</h3>
              <DifferenceTable :difference="way" />
              <div class="actions">
                <v-btn v-if="way.lines.length" variant="flat" color="primary" @click="go">Go back</v-btn>
                <v-btn @click="way = null">Stay here</v-btn>
              </div>
            </div>
          </template>
        </aside>
        <aside v-else class="panel quiet" aria-label="Edit">
          Choose an edit to see what it changed, to name it, or to go back to it.
        </aside>
      </SideSheet>
    </div>
  </div>
</template>

<style scoped src="./history.css"></style>
