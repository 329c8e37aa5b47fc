<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { useShow, type KindPart, type PixelLayout, type PixelMap, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { fresh, useDescriptions } from '@/kinds/kinds'
import PartFields from '@/kinds/PartFields.vue'
import PartForm from '@/kinds/PartForm.vue'
import PixelPicture from './PixelPicture.vue'

/** A pixel map, with its picture as it is built. */
const props = defineProps<{ map: PixelMap | null }>()
const emit = defineEmits<{ done: [id: string]; cancel: [] }>()
const show = useShow()
const { failed, attempt } = useAttempt()
const descriptions = useDescriptions()
const kinds = computed(() => descriptions.value?.kinds.layout ?? [])
const draft = ref<Values>(
  props.map
    ? { ...props.map }
    : {
        layout: { kind: 'rectangle', columns: 16, rows: 8, corner: 'top-left', direction: 'rows', zigzag: true },
        universes: show.universes.slice(0, 1).map((one) => one.id),
      },
)
const layout = computed(() => draft.value.layout as KindPart)
const kind = computed(() => kinds.value.find((one) => one.kind === layout.value.kind))
const become = (word: string) => {
  const chosen = kinds.value.find((one) => one.kind === word)
  if (chosen) draft.value = { ...draft.value, layout: fresh(chosen) }
}
const picture = ref<PixelLayout | null>(null)
let timer = 0
watch(
  draft,
  (now) => {
    clearTimeout(timer)
    timer = window.setTimeout(async () => {
      const found = await show.layoutOf({ ...now, name: now.name || 'Map' })
      if (now === draft.value) picture.value = found
    }, 150)
  },
  { immediate: true, deep: true },
)
onUnmounted(() => clearTimeout(timer))
const named = computed(() => (draft.value.universes ?? []) as string[])
const missing = computed(() => Math.max(0, (picture.value?.universes ?? 1) - named.value.length))
/** Those after the last one that is named, as far as there are any. */
const next = computed(() => {
  const at = show.universes.findIndex((one) => one.id === named.value.at(-1))
  return show.universes.slice(at + 1, at + 1 + missing.value).filter((one) => !named.value.includes(one.id))
})
const use = (ids: string[]) => {
  draft.value = { ...draft.value, universes: ids }
}
const makeMissing = () =>
  attempt(async () => {
    const name = String(draft.value.name || 'Pixels')
    for (let left = missing.value; left > 0; left -= 1) {
      const made = await show.add('universes', { name: `${name} ${named.value.length + 1}` })
      if (made.id) use([...named.value, made.id])
    }
  })
const others = computed(() => [
  ...show.fixtures.map((one) => ({ value: one.id, title: one.name })),
  ...show.pixels.filter((one) => one.id !== props.map?.id).map((one) => ({ value: one.id, title: `Pixels: ${one.name}` })),
])
</script>

<template>
  <PartForm v-model="draft" list="pixels" :part="map" @done="emit('done', $event)" @cancel="emit('cancel')">
    <template #layout="{ fault }">
      <section class="wide fields" aria-label="How they lie">
        <v-select
          :model-value="layout.kind"
          :items="kinds"
          item-title="label"
          item-value="kind"
          label="How they lie"
          class="wide"
          @update:model-value="become"
        />
        <PartFields
          v-if="kind"
          :model-value="layout"
          :fields="kind.fields"
          :fault="fault"
          at="layout/"
          @update:model-value="draft = { ...draft, layout: $event }"
        />
      </section>
      <div class="wide">
        <p v-if="picture?.problem" class="wrong small">{{ picture.problem }}</p>
        <template v-else-if="picture"
          ><p class="figures small" role="status">{{ picture.counts }}</p>
          <PixelPicture :layout="picture"
        /></template>
      </div>
    </template>
    <template #universes="{ field, fault }">
      <div class="wide">
        <v-autocomplete
          :model-value="named"
          :items="show.universes"
          item-title="name"
          item-value="id"
          multiple
          chips
          :label="field.label"
          :error-messages="fault('universes')"
          @update:model-value="use($event as string[])"
        />
        <p v-if="missing" class="small">
          It takes {{ picture?.universes }} universes: {{ missing }} more.
          <button v-if="next.length" type="button" class="small-button" @click="use([...named, ...next.map((one) => one.id)])">
            Take {{ next.map((one) => one.name).join(', ') }}
          </button>
          <button v-else type="button" class="small-button" @click="makeMissing">
            Add {{ missing === 1 ? 'a universe' : `${missing} universes` }} to the show
          </button>
        </p>
        <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
      </div>
    </template>
    <template #sharesWith="{ field, value, change, fault }">
      <v-autocomplete
        :model-value="(value ?? []) as string[]"
        :items="others"
        multiple
        chips
        class="wide"
        :label="field.label"
        :error-messages="fault('sharesWith')"
        @update:model-value="change($event)"
      />
    </template>
  </PartForm>
</template>

<style scoped>
.wide > p {
  margin: 6px 0;
}
</style>
