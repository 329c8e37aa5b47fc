<script setup lang="ts">
import { computed } from 'vue'
import { placeMark } from '@/components/levels'
import { spellAgo, spellRate } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { SourceLife } from '@/live/types'

const props = defineProps<{ universe: string }>()
const shown = defineModel<string>({ required: true })
const engine = useEngine()
const sources = computed(() => engine.sources[props.universe]?.sources ?? [])
/** What is not as usual about a source, in few words. */
const remarks = (one: SourceLife) =>
  [
    one.preview ? 'preview: shown, not merged' : '',
    one.lastResort ? 'last resort' : '',
    one.bySlot ? 'priorities by slot' : '',
    one.lost ? `${one.lost} ${one.lost === 1 ? 'frame' : 'frames'} lost` : '',
    one.outOfOrder ? `${one.outOfOrder} out of order` : '',
  ]
    .filter(Boolean)
    .join(', ')
const letter = (place: number) => (place === 0 ? '–' : placeMark(place))
</script>

<template>
  <section aria-label="Sources">
    <h2>Sources</h2>
    <p v-if="sources.length === 0" class="quiet">Nothing sends this universe now.</p>
    <table v-else class="plain">
      <thead>
        <tr>
          <th><span class="unseen">Letter</span></th>
          <th>Source</th>
          <th>Priority</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(source, i) in sources" :key="i">
          <td class="figures">
            <strong>{{ letter(source.place) }}</strong>
          </td>
          <td>
            {{ source.name }}
            <p class="quiet small">
              {{ source.protocol }}
              <template v-if="source.address">
                from <span class="figures">{{ source.address }}</span>
              </template>
              <template v-if="source.heardAgo !== null">{{ spellAgo(source.heardAgo) }}</template>
              <template v-else>{{ source.slots }} slots</template>
            </p>
            <p v-if="source.rate !== null" class="small figures">
              {{ spellRate(source.rate) }}, gap {{ source.gap }} ms, ± {{ source.jitter }} ms
            </p>
            <p v-if="remarks(source)" class="small" :class="{ wrong: source.lost > 0 }">{{ remarks(source) }}</p>
            <button
              type="button"
              :aria-pressed="shown === `source:${universe}:${i}`"
              @click="shown = shown === `source:${universe}:${i}` ? `levels:${universe}` : `source:${universe}:${i}`"
            >
              {{ shown === `source:${universe}:${i}` ? 'Back' : 'Show its levels' }}
            </button>
          </td>
          <td class="figures">
            <span :title="source.priority === null ? 'Added to whoever is in control' : ''">{{ source.priority ?? 'added' }}</span>
            <p v-if="source.place === 0" class="small" :class="{ wrong: !source.preview }">
              {{ source.preview ? 'preview' : 'outranked' }}
            </p>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
button {
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font: inherit;
  font-size: 13px;
  padding: 2px 8px;
  cursor: pointer;
}
button[aria-pressed='true'] {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}
td p {
  margin: 2px 0 0;
}
.unseen {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
