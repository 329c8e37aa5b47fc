<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { placeOfRoute } from '@/components/routePlace'
import { spellAgo } from '@/components/words'
import { useEngine } from '@/live/engine'
import RelaxButton from '@/kinds/RelaxButton.vue'

/** How a route fares: when it acted last, how often, and what it nearly took. */
const props = defineProps<{ route: string; latest?: string }>()
const engine = useEngine()
const show = useShow()
const nameOf = (id: string) => show.routes.find((one) => one.id === id)?.name ?? id
engine.follow(() => [`route:${props.route}`])
const life = computed(() => engine.routeLives[props.route])
</script>

<template>
  <div aria-label="How it fares" role="group">
    <p class="quiet">
      <template v-if="life?.fired">
        Acted <span class="figures">{{ life.fired }}</span> {{ life.fired === 1 ? 'time' : 'times'
        }}<template v-if="life.firedAt !== null">, last {{ spellAgo(engine.since(life.firedAt)) }}</template
        >.
      </template>
      <template v-else>Has not acted yet.</template>
      <template v-if="latest"> Last: {{ latest }}</template>
    </p>
    <p v-if="life?.echoes" class="quiet">
      Its control has sent back <span class="figures">{{ life.echoes }}</span> {{ life.echoes === 1 ? 'time' : 'times' }} what it
      was told: that is left alone.
    </p>
    <p v-if="life?.round" class="wrong">
      It and <router-link :to="placeOfRoute(life.round)">{{ nameOf(life.round) }}</router-link> keep each other going: what one
      sends comes back through another program, and the other sends it on.
    </p>
    <p v-if="life?.near">
      Nearly took {{ life.near.what }}: it {{ life.near.reason
      }}<span class="figures quiet"> (×{{ life.near.count }}, {{ spellAgo(engine.since(life.near.cameAt)) }})</span>
      <RelaxButton v-if="life.near.relax" :route="route" :relax="life.near.relax" />
    </p>
  </div>
</template>
