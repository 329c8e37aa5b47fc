<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'

/** Routes that are muted, or alone on, by hand: nobody has to look for the reason why nothing happens. */
const engine = useEngine()
const show = useShow()
const names = (ids: string[]) => ids.map((id) => show.routes.find((one) => one.id === id)?.name ?? id).join('\n')
const off = computed(() => engine.engine?.routesOff ?? [])
const alone = computed(() => engine.engine?.routesAlone ?? [])
const count = (ids: string[]) => `${ids.length} ${ids.length === 1 ? 'route' : 'routes'}`
</script>

<template>
  <router-link v-if="alone.length" :to="`/routes/${alone[0]}`" class="off wrong" :title="names(alone)">
    {{ count(alone) }} solo
  </router-link>
  <router-link v-if="off.length" :to="`/routes/${off[0]}`" class="off wrong" :title="names(off)"
    >{{ count(off) }} muted</router-link
  >
</template>

<style scoped>
.off {
  white-space: nowrap;
  font-size: 13px;
}
</style>
