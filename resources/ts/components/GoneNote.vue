<script setup lang="ts">
import { computed } from 'vue'
import { nearest } from './near'

/** A link led to something that is not there: it is said, and what is near is offered. */
const props = defineProps<{
  what: string
  id: string | string[] | undefined
  all: { id: string; name: string }[]
  path: string
  loaded: boolean
}>()
const wanted = computed(() => String(props.id ?? ''))
const isGone = computed(() => props.loaded && wanted.value !== '' && !props.all.some((one) => one.id === wanted.value))
const near = computed(() => (isGone.value ? nearest(wanted.value, props.all) : []))
</script>

<template>
  <p v-if="isGone" class="gone" role="alert">
    There is no {{ what }} "{{ wanted }}" in this show: it was deleted, or belongs to another show.
    <template v-if="near.length"
      >Near it:
      <template v-for="(one, i) in near" :key="one.id"
        ><template v-if="i > 0">, </template><router-link :to="`${path}/${one.id}`">{{ one.name }}</router-link></template
      >.</template
    >
    <router-link to="/history">What was changed</router-link>
  </p>
</template>

<style scoped>
.gone {
  border-left: 3px solid var(--held);
  padding: 4px 12px;
  margin-bottom: 12px;
}
</style>
