<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import OfferForm from './OfferForm.vue'
import OfferPanel from './OfferPanel.vue'

/** Points of ours that others may control as if they were a fixture. */
const show = useShow()
const placeOf = (id: string) => (show.data?.patch ?? []).find((one) => one.id === `offer:${id}`)
const rows = computed<Row[]>(() =>
  show.offers.map((one) => {
    const place = placeOf(one.id)
    const at = place ? `${show.universeName(place.universe)} ${place.first}–${place.last}` : ''
    return {
      id: one.id,
      name: one.name,
      state: one.enabled === false ? 'off' : 'on',
      text: [
        at,
        one.oscPort && `OSC at ${show.portName(one.oscPort)}`,
        one.midiPort && `MIDI at ${show.portName(one.midiPort)}`,
        one.parameters.length === 1 ? '1 parameter' : `${one.parameters.length} parameters`,
      ]
        .filter(Boolean)
        .join(', '),
    }
  }),
)
</script>

<template>
  <ListPage
    list="offers"
    title="Offers to desks"
    note="What a desk may control here, as if it were a fixture."
    what="offer"
    whats="offers"
    path="/routes-offers"
    :of="{ path: '/routes', name: 'All routes' }"
    :parts="show.offers"
    :rows="rows"
    empty="No offers yet. An offer puts points of this show at slots of a desk’s universe, at OSC addresses and behind MIDI messages: the desk patches it as a fixture."
    columns="minmax(170px, 1fr) minmax(0, 4.5fr)"
  >
    <template #row="{ row }"
      ><strong>{{ row.name }}</strong> <span class="quiet small words">{{ row.text }}</span>
      <span v-if="row.state === 'off'" class="quiet small">off</span></template
    >
    <template #form="{ part, done, cancel }">
      <OfferForm :key="part?.id" :offer="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <OfferPanel :key="`panel ${part.id}`" :offer="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
