<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import type { FoundService } from '@/live/shapes'
import { kindOf, portAt } from './services'

/** Something that is offered on the network by name: one click makes a port of it. */
const props = defineProps<{ find: FoundService; busy: boolean }>()
const emit = defineEmits<{ add: [] }>()
const show = useShow()
const session = useSession()
const port = computed(() => portAt(props.find, show.ports))
</script>

<template>
  <article class="find">
    <strong>{{ find.name }}</strong>
    <p class="small quiet">
      {{ kindOf(find) }} at <span class="figures">{{ find.address }}:{{ find.port }}</span>, by name
    </p>
    <p v-if="port" class="small">
      <router-link :to="`/ports/${port.id}`">is {{ port.name }}</router-link>
    </p>
    <button v-else-if="session.mayBuild" type="button" class="small-button" :disabled="busy" @click="emit('add')">
      Add as port
    </button>
  </article>
</template>

<style scoped>
.find {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
</style>
