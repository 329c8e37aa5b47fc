<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useSession } from '@/api/session'
import { useAttempt } from '@/components/attempt'
import { codedSurfaces, setCode } from './files'

/** Whether a surface has a pass code, and another one for it. */
const props = withDefaults(defineProps<{ surface: string; letsIn?: boolean }>(), { letsIn: true })
const session = useSession()
const coded = ref<string[] | null>(null)
const code = ref('')
const said = ref('')
const { failed, attempt } = useAttempt()
const isCoded = computed(() => coded.value?.includes(props.surface) === true)
onMounted(() => attempt(async () => (coded.value = await codedSurfaces())))
/** What it is good for, now that it is there or not. */
function words(isThere: boolean): string {
  if (!props.letsIn) return isThere ? 'The kiosk is left by this code.' : 'Nobody leaves the kiosk by a code now.'
  return isThere ? 'From now on this code is asked for, of everybody.' : 'Nobody gets in by a code now.'
}
const none = computed(() =>
  props.letsIn ? 'There is none yet: nobody gets in but people who log in.' : 'There is none yet: nobody leaves the kiosk.',
)
const put = (next: string) =>
  attempt(async () => {
    coded.value = await setCode(props.surface, next)
    said.value = words(next !== '')
    code.value = ''
  })
</script>

<template>
  <section aria-label="Pass code">
    <h3>Pass code</h3>
    <p v-if="coded && !isCoded" class="wrong">{{ none }}</p>
    <p v-else-if="coded">There is one. It is kept so that nobody can read it; give a new one if it is forgotten.</p>
    <form v-if="session.mayBuild" class="line" @submit.prevent="put(code)">
      <input
        v-model="code"
        class="inline-field"
        inputmode="numeric"
        autocomplete="off"
        placeholder="4 to 12 digits"
        aria-label="New pass code"
      />
      <v-btn type="submit" :disabled="code === ''">Set code</v-btn>
      <v-btn v-if="isCoded" @click="put('')">Remove code</v-btn>
    </form>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <p v-else-if="said" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}
</style>
