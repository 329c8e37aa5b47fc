<script setup lang="ts">
import { ref } from 'vue'
import { call } from '@/api/client'
import { useShow, type Profile, type Values } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { without } from '@/kinds/conflicts'

/** What is done with a profile besides changing it: copied, written to a file, deleted. */
const props = defineProps<{ profile: Profile; draft: Values }>()
const emit = defineEmits<{ done: [id: string] }>()
const show = useShow()
const { failed, attempt } = useAttempt()
/** What the file does not say; null before one was written. */
const left = ref<string[] | null>(null)
const remove = () =>
  attempt(async () => {
    await show.remove('profiles', props.profile.id)
    emit('done', '')
  })
const copy = () =>
  attempt(async () => {
    const answer = await show.add('profiles', { ...without(props.draft, 'id'), name: `${String(props.draft.name)} copy` })
    emit('done', answer.id ?? '')
  })
const tell = () =>
  attempt(async () => {
    left.value = (await call<{ left: string[] }>('GET', `show/profiles/${props.profile.id}/type/left`)).left
  })
</script>

<template>
  <v-btn @click="copy">Copy</v-btn>
  <v-btn :href="`/api/show/profiles/${profile.id}/type`" @click="tell">Save as GDTF</v-btn>
  <v-btn color="error" @click="remove">Delete</v-btn>
  <div v-if="left" class="left small" role="status">
    <p>{{ left.length ? 'The file does not say:' : 'The file says all of it.' }}</p>
    <ul>
      <li v-for="words in left" :key="words">{{ words }}</li>
    </ul>
  </div>
  <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
</template>

<style scoped>
.left {
  flex-basis: 100%;
  max-height: 30vh;
  overflow: auto;
}
</style>
