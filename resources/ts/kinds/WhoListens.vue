<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { KindPart } from '@/api/show'
import { placeOfRoute } from '@/components/routePlace'
import { useEngine } from '@/live/engine'
import type { ListeningRoute } from '@/live/messages'

/** Who else takes what a trigger waits for. */
const props = defineProps<{ trigger: KindPart }>()
const WAIT = 400
const engine = useEngine()
const here = useRoute()
const routes = ref<ListeningRoute[]>([])
const more = ref(0)
const asked = computed(() => JSON.stringify(props.trigger))
let timer = 0
watch(
  asked,
  (now) => {
    clearTimeout(timer)
    timer = window.setTimeout(async () => {
      const answer = await engine.whoListens(JSON.parse(now) as object)
      if (now !== asked.value) return
      routes.value = (answer.routes ?? []).filter((one) => one.id !== here.params.id)
      more.value = answer.more ?? 0
    }, WAIT)
  },
  { immediate: true },
)
onUnmounted(() => clearTimeout(timer))
</script>

<template>
  <p v-if="routes.length" class="small" role="status">
    {{ routes.length + more === 1 ? 'Another route listens' : `${routes.length + more} other routes listen` }} to this:
    <template v-for="(one, i) in routes" :key="one.id"
      >{{ i ? ', ' : '' }}<router-link :to="placeOfRoute(one.id)">{{ one.name }}</router-link
      >{{ one.enabled ? '' : ' (off)' }}</template
    ><template v-if="more">, and {{ more }} more</template>.
  </p>
</template>
