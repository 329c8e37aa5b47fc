<script setup lang="ts">
import { computed, ref } from 'vue'
import { copyText } from '@/components/handOver'
import type { TraceEvent } from '@/live/types'
import { placeOfRoute } from '@/components/routePlace'
import RelaxButton from '@/kinds/RelaxButton.vue'
import { clock } from './trace'

const props = defineProps<{ event: TraceEvent; moment: string; unfolded: boolean; kept: boolean }>()
defineEmits<{ toggle: []; keep: [] }>()
const copied = ref(false)
function copy(): void {
  copied.value = copyText(`${location.origin}/?moment=${props.moment}`)
}

const stopped = computed(() => props.event.hops.find((hop) => ['refused', 'nearly', 'unmatched'].includes(hop.step)))
const path = computed(() => props.event.hops.map((hop) => hop.step).join(' › '))
const spaced = (bytes: string) => bytes.replace(/../g, '$& ').trim().toUpperCase()
</script>

<template>
  <article>
    <button type="button" class="line" :aria-expanded="unfolded" @click="$emit('toggle')">
      <time class="figures quiet">{{ clock(event.at) }}</time>
      <span class="kind" :class="{ wrong: stopped }">{{ event.kind }}</span>
      <span class="title"
        ><b v-if="kept">Kept. </b>{{ event.title
        }}<span v-if="event.count > 1" class="figures quiet"> ×{{ event.count }}</span></span
      >
      <span class="path quiet">{{ path }}</span>
    </button>
    <ol v-if="unfolded" class="hops">
      <li v-for="(hop, i) in event.hops" :key="i" :class="{ wrong: ['refused', 'nearly', 'unmatched'].includes(hop.step) }">
        <span class="step">{{ hop.step }}</span>
        <span
          >{{ hop.words }}
          <router-link v-if="hop.route" :to="placeOfRoute(hop.route)">open the route</router-link>
          <RelaxButton v-if="hop.route && hop.relax" :route="hop.route" :relax="hop.relax" />
          <code v-if="hop.bytes" class="figures"
            >{{ spaced(hop.bytes) }}<template v-if="hop.length > hop.bytes.length / 2"> … {{ hop.length }} bytes</template></code
          >
          <router-link
            v-if="hop.bytes && hop.length === hop.bytes.length / 2"
            :to="{ path: '/packets', query: { hex: hop.bytes } }"
            >read these bytes</router-link
          >
        </span>
      </li>
      <li class="deeds">
        <button type="button" class="small-button" :aria-pressed="kept" @click="$emit('keep')">
          {{ kept ? 'Kept' : 'Keep' }}
        </button>
        <button type="button" class="small-button" @click="copy">{{ copied ? 'Copied' : 'Copy link to this moment' }}</button>
      </li>
    </ol>
  </article>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 104px 76px minmax(0, 1fr) auto;
  gap: 12px;
  width: 100%;
  text-align: left;
  padding: 6px 16px;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
.line:hover {
  background: rgb(var(--v-theme-surface));
}
.kind {
  font-weight: 600;
}
.title {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.path {
  font-size: 12px;
  max-width: 340px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.hops {
  list-style: none;
  padding: 6px 16px 10px 120px;
  border-bottom: 1px solid var(--rule);
  font-size: 13px;
  background: rgb(var(--v-theme-surface));
}
.hops li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 8px;
  padding: 3px 0;
}
.step {
  font-weight: 600;
}
.hops .deeds {
  display: flex;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 92px minmax(0, 1fr);
    gap: 2px 8px;
    padding: 6px 12px;
  }
  .line .title {
    grid-column: 1 / -1;
    white-space: normal;
  }
  .line .path {
    display: none;
  }
  .hops {
    padding-left: 12px;
  }
}
code {
  display: block;
  font-size: 12px;
  color: var(--quiet);
  overflow-wrap: anywhere;
  max-height: 4.6em;
  overflow: auto;
}
</style>
