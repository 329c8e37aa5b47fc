<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { usesOf } from './sentences'

/** Where something is used, with the ways there. */
const props = defineProps<{ kind: string; id: string }>()
const show = useShow()
const uses = computed(() => usesOf(show.document, `${props.kind}:${props.id}`, props.id))
</script>

<template>
  <section v-if="uses.length" aria-label="Used by">
    <h3>Used by</h3>
    <p v-for="use in uses" :key="`${use.path} ${use.words}`" class="small">
      <router-link :to="use.path">{{ use.words }}</router-link>
    </p>
  </section>
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
}
</style>
