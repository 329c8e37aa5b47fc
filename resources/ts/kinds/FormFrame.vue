<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue'
import type { Conflict } from '@/api/client'
import type { Values } from '@/api/show'
import { form } from '@/frame/place'
import { useEngine } from '@/live/engine'
import ConflictPanel from './ConflictPanel.vue'
import { halfFilled, onceLeft } from './halfFilled'

/** What is around the fields of every form: its title, what is wrong, and the two ways out. */
const props = defineProps<{
  name: string
  title: string
  save: string
  wrong: string[]
  busy: boolean
  conflict?: Conflict | null
  /** What has been filled in. */
  content: unknown
}>()
const emit = defineEmits<{ save: []; cancel: []; choose: [part: Values] }>()
const engine = useEngine()
watch(
  () => props.title,
  (title) => {
    form.value = title
  },
  { immediate: true },
)
onUnmounted(() => {
  form.value = halfFilled.value = ''
})
/** What is filled in by itself, before anybody has touched the form, is nothing that could be lost. */
let isTouched = false
const touch = () => {
  isTouched = true
}
const typed = () => {
  halfFilled.value = props.title
}
watch(
  () => JSON.stringify(props.content),
  () => {
    if (isTouched) typed()
  },
)
const cancel = () => onceLeft(() => emit('cancel'))
/** A list that lies over the form closes first. */
function escape(): void {
  if (document.querySelector('.v-overlay--active') === null) void cancel()
}
/** Who has the same form open. */
const others = computed(() => engine.present.filter((one) => one.place.endsWith(`: ${props.title}`)).map((one) => one.name))
</script>

<template>
  <form
    class="panel"
    :aria-label="name"
    @submit.prevent="emit('save')"
    @input="typed"
    @change="typed"
    @pointerdown="touch"
    @keydown="touch"
    @keydown.esc="escape"
  >
    <h2>{{ title }}</h2>
    <p v-if="others.length" class="wrong">
      {{ others.join(', ') }} {{ others.length === 1 ? 'has' : 'have' }} this form open too.
    </p>
    <slot />
    <div v-if="wrong.length" class="wrong" role="alert">
      <p v-for="line in wrong" :key="line">{{ line }}</p>
    </div>
    <ConflictPanel v-if="conflict && !conflict.gone" :conflict="conflict" @choose="emit('choose', $event)" />
    <div class="actions">
      <v-btn type="submit" variant="flat" color="primary" :loading="busy">{{ save }}</v-btn>
      <v-btn @click="cancel">Cancel</v-btn>
      <slot name="actions" />
    </div>
  </form>
</template>

<style scoped>
form h2 {
  margin-bottom: 12px;
}
/* Save is always in sight. */
.actions {
  position: sticky;
  bottom: -1px;
  z-index: 2;
  margin: 12px -16px -16px;
  padding: 10px 16px;
  background: rgb(var(--v-theme-surface));
  border-top: 1px solid var(--rule);
}
</style>
