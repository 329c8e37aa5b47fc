<script setup lang="ts">
import { computed, ref } from 'vue'
import { useAttempt } from '@/components/attempt'
import { withTrackFields } from './edit'
import { useEditing } from './editing'
import type { Track } from './parts'
import { openSound, soundOf } from './sound'
import { timeWords } from './view'

/** The file of a sound: opened on this page to be seen and heard; the show keeps its name and how loud it is. */
const props = defineProps<{ track: Track }>()
const editing = useEditing()
const { failed, attempt } = useAttempt()
const sound = computed(() => (props.track.does.kind === 'sound' ? props.track.does : null))
const isHere = ref(false)
isHere.value = soundOf(sound.value?.file ?? '') !== null
const take = (event: Event) =>
  attempt(async () => {
    const field = event.target as HTMLInputElement
    const file = field.files?.[0]
    field.value = ''
    if (!file || !editing.timeline.value || !sound.value) return
    const opened = await openSound(file)
    isHere.value = true
    editing.turnInto(withTrackFields(editing.timeline.value, props.track.id, { does: { ...sound.value, ...opened } }))
  })
</script>

<template>
  <div class="wide">
    <p class="small">
      {{ sound?.file ? `${sound.file}, ${timeWords(sound.seconds ?? 0, 1)}` : 'No file yet.' }}
      {{ sound?.file && !isHere ? 'Open it here to hear it: the show keeps only how loud it is.' : '' }}
    </p>
    <label class="small-button file"
      >Open a sound file<input
        type="file"
        accept="audio/*,.wav,.flac,.mp3"
        class="d-sr-only"
        aria-label="Sound file"
        @change="take"
    /></label>
    <p v-if="failed" class="small wrong" role="alert">{{ failed }}</p>
  </div>
</template>

<style scoped>
.file {
  display: inline-flex;
  align-items: center;
}
.file:focus-within {
  outline: 2px solid var(--held);
}
</style>
