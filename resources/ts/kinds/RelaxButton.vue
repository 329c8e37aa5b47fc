<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import type { Relax } from '@/live/messages'
import { relaxed } from './relax'

/** Lets a route take what it nearly took. */
const props = defineProps<{ route: string; relax: Relax }>()
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const becomes = computed(() => {
  const route = show.routes.find((one) => one.id === props.route)
  return route ? relaxed(route, props.relax) : null
})
const spell = (value: unknown) => (typeof value === 'number' ? String(Math.round(value * 10000) / 10000) : String(value))
const words = computed(() =>
  Object.entries(props.relax.fields)
    .map(([name, value]) =>
      value === null ? `any ${name}` : `${name} ${Array.isArray(value) ? value.map(spell).join(', ') : spell(value)}`,
    )
    .join(', '),
)
const label = computed(() => (props.relax.part === '' ? 'Switch it on' : `Take this too (${words.value})`))
</script>

<template>
  <template v-if="session.mayBuild && becomes">
    <button type="button" class="small-button" @click="attempt(() => show.replace('routes', props.route, becomes!))">
      {{ label }}
    </button>
    <span v-if="failed" class="wrong" role="alert">{{ failed }}</span>
  </template>
</template>
