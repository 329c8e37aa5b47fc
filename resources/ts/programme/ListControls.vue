<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import type { CueList } from '@/api/show'
import { useEngine } from '@/live/engine'
import type { ListLife } from '@/live/messages'

/** What runs a list: go, back, pause, stop, release. */
const props = defineProps<{ list: CueList; life?: ListLife; large?: boolean }>()
const engine = useEngine()
const session = useSession()
const state = computed(() => props.life?.state ?? 'released')
const press = (part: string) => void engine.pressPoint(`list:${props.list.id}/${part}`)
const next = computed(() => {
  const number = props.life?.next ?? props.list.cues?.[0]?.number
  return number ? `Go ${number}` : 'Go'
})
</script>

<template>
  <div class="controls" :class="{ large }">
    <button
      type="button"
      class="go"
      :disabled="!session.mayOperate || !(life ? life.next : list.cues?.length)"
      @click="press('go')"
    >
      {{ next }}
    </button>
    <button type="button" :disabled="!session.mayOperate || state === 'released'" @click="press('back')">Back</button>
    <button v-if="state === 'paused'" type="button" :disabled="!session.mayOperate" @click="press('resume')">Resume</button>
    <button v-else type="button" :disabled="!session.mayOperate || state === 'released'" @click="press('pause')">Pause</button>
    <button type="button" :disabled="!session.mayOperate || state === 'released'" @click="press('release')">Release</button>
  </div>
</template>

<style scoped>
.controls {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
button {
  min-height: 36px;
  padding: 0 12px;
  border: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
button:disabled {
  opacity: 0.45;
  cursor: default;
}
.go:not(:disabled) {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
  border-color: transparent;
}
.go {
  min-width: 92px;
}
.large button {
  min-height: 52px;
  min-width: 92px;
}
.large .go {
  min-width: 150px;
  font-size: 18px;
}
@media (max-width: 900px) {
  button {
    min-height: 48px;
  }
}
</style>
