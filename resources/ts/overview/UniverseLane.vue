<script setup lang="ts">
import { computed } from 'vue'
import { useShow, type Route, type Universe } from '@/api/show'
import SlotStrip from '@/components/SlotStrip.vue'
import { lostWords, mergedWords, raisedWords } from '@/components/words'
import { useEngine } from '@/live/engine'

const props = defineProps<{ universe: Universe; inRoutes: Route[]; outRoutes: Route[] }>()
defineEmits<{ point: [node: string | null] }>()
const engine = useEngine()
const show = useShow()
const life = computed(() => engine.universes[props.universe.id])
const fed = computed(() => show.ports.some((port) => port.receive?.feeds?.some((link) => link.universe === props.universe.id)))
const held = computed(() => engine.holds.filter((hold) => hold.universe === props.universe.id).length)
const words = computed(() => {
  const now = life.value
  if (!now?.spoken) return 'No source has been heard yet.'
  if (now.leaders.length === 0 && !fed.value)
    return props.inRoutes.length > 0 ? 'Only our own routes and programme set it.' : 'Only copies, or our own programme, set it.'
  if (now.leaders.length === 0) return `All sources are lost: ${lostWords(props.universe)}.`
  const names = now.leaders.join(' and ')
  return now.leaders.length > 1
    ? `${names}, ${mergedWords(props.universe)}`
    : `${names} ${now.sources > 1 ? `is in control (priority ${now.priority})` : 'sends it'}`
})
</script>

<template>
  <article class="lane">
    <router-link :to="`/universes/${universe.id}`" class="main">
      <span class="top"
        ><strong>{{ universe.name }}</strong
        ><span v-if="held" class="held">{{ held }} held</span
        ><span class="quiet raised">{{ raisedWords(life?.raised ?? 0) }}</span></span
      >
      <SlotStrip :universe="universe.id" :height="18" />
      <span class="words quiet">{{ words }}</span>
    </router-link>
    <router-link
      v-for="route in inRoutes"
      :key="route.id"
      :to="`/routes/${route.id}`"
      :data-node="`route:${route.id}`"
      class="route"
      :title="show.data?.sentences[route.id]"
      @mouseenter="$emit('point', `route:${route.id}`)"
      @mouseleave="$emit('point', `universe:${universe.id}`)"
      @focus="$emit('point', `route:${route.id}`)"
      ><span class="quiet">in</span> {{ route.name }}</router-link
    >
    <router-link
      v-for="route in outRoutes"
      :key="route.id"
      :to="`/routes/${route.id}`"
      :data-node="`route:${route.id}`"
      class="route out"
      :title="show.data?.sentences[route.id]"
      @mouseenter="$emit('point', `route:${route.id}`)"
      @mouseleave="$emit('point', `universe:${universe.id}`)"
      @focus="$emit('point', `route:${route.id}`)"
      >{{ route.name }} <span class="quiet">out</span></router-link
    >
  </article>
</template>

<style scoped>
.lane {
  border: 1px solid var(--rule);
  background: rgb(var(--v-theme-surface));
}
.main {
  display: block;
  padding: 12px;
  text-decoration: none;
  color: inherit;
}
.main:hover strong,
.route:hover {
  text-decoration: underline;
}
.top {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin-bottom: 6px;
}
.raised {
  margin-left: auto;
  font-size: 13px;
}
.words {
  display: block;
  font-size: 13px;
  margin-top: 6px;
}
.held {
  color: var(--held);
  font-weight: 600;
  font-size: 13px;
}
.route {
  display: block;
  padding: 7px 12px;
  border-top: 1px solid var(--rule);
  font-size: 13px;
  text-decoration: none;
  color: inherit;
}
.route.out {
  text-align: right;
}
@media (max-width: 900px) {
  .route {
    min-height: 44px;
    padding: 12px;
  }
}
/* On a phone nothing is pointed at: the routes have their own page. */
@media (max-width: 700px) {
  .main {
    padding: 6px 10px;
  }
  .route {
    display: none;
  }
}
</style>
