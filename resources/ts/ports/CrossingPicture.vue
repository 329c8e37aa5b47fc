<script setup lang="ts">
import { computed } from 'vue'
import type { Port } from '@/api/show'
import { useEngine } from '@/live/engine'

/** An OSC link is two ports that cross: what they send to is what we listen at, and the other way round. */
const props = defineProps<{ port: Port }>()
const engine = useEngine()
const life = computed(() => engine.ports[props.port.id])
const ours = computed(() => props.port.receive?.port)
const theirs = computed(() => props.port.send?.port)
const words = computed(() => {
  const we = `${ours.value ? `receive at ${ours.value}` : 'do not receive'} and ${theirs.value ? `send to ${theirs.value}` : 'do not send'}`
  return `We ${we}; the other end sends to ${ours.value ?? 'nothing of ours'} and receives at ${theirs.value ?? 'nothing of ours'}.`
})
</script>

<template>
  <figure aria-label="How the two ports cross">
    <svg
      viewBox="0 0 386 112"
      role="img"
      :aria-label="words"
    >
      <text x="0" y="12" class="head">We</text>
      <text x="386" y="12" class="head" text-anchor="end">The other end</text>
      <g v-if="ours" :class="{ moving: (life?.in ?? 0) > 0 }">
        <path d="M236 94H196L150 40H132m8 -6l-9 6l9 6" />
        <text x="0" y="45">
          receive port
          <tspan class="number">{{ ours }}</tspan>
        </text>
        <text x="386" y="99" text-anchor="end">
          send port
          <tspan class="number">{{ ours }}</tspan>
        </text>
      </g>
      <g v-if="theirs" :class="{ moving: (life?.out ?? 0) > 0 }">
        <path d="M132 94H150L196 40H236m-8 -6l9 6l-9 6" />
        <text x="0" y="99">
          send port
          <tspan class="number">{{ theirs }}</tspan>
        </text>
        <text x="386" y="45" text-anchor="end">
          receive port
          <tspan class="number">{{ theirs }}</tspan>
        </text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 10px 0;
}
svg {
  width: 100%;
  display: block;
}
text {
  fill: rgb(var(--v-theme-on-background));
  font-size: 13px;
}
.head {
  font-weight: 700;
  fill: var(--quiet);
}
.number {
  font-family: var(--figures);
  font-weight: 700;
}
path {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 2;
}
.moving path {
  stroke: var(--alive);
  stroke-width: 3;
}
</style>
