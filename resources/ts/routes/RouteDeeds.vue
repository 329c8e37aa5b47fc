<script setup lang="ts">
import { ref } from 'vue'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { useUsual } from '@/kinds/followed'

/** What is done to several routes at once: other numbers, another channel, another port. */
const props = defineProps<{ ids: string[] }>()
const emit = defineEmits<{ done: [] }>()
const show = useShow()
const { failed, attempt } = useAttempt()
type What = 'none' | 'renumber' | 'channel' | 'port'
const what = ref<What>('none')
const counted = ref('note')
const by = ref('12')
const channel = ref('1')
const port = useUsual(() => show.ports[0]?.id ?? '')
const side = ref('heard')
const buttons: { value: What; title: string }[] = [
  { value: 'renumber', title: 'Renumber' },
  { value: 'channel', title: 'Change the channel' },
  { value: 'port', title: 'Move to a port' },
]
const sides = [
  { value: 'heard', title: 'of what they wait for' },
  { value: 'sent', title: 'of what they send' },
  { value: 'both', title: 'of both' },
]
async function run(): Promise<void> {
  const deed = {
    renumber: { kind: 'renumber', what: counted.value, by: Number(by.value) },
    channel: { kind: 'channel', to: Number(channel.value) },
    port: { kind: 'port', to: port.value },
    none: {},
  }[what.value]
  if (await attempt(() => show.reroute({ ...deed, side: side.value, ids: props.ids }))) {
    what.value = 'none'
    emit('done')
  }
}
</script>

<template>
  <button
    v-for="one in buttons"
    :key="one.value"
    type="button"
    class="small-button"
    :aria-pressed="what === one.value"
    @click="what = what === one.value ? 'none' : one.value"
  >
    {{ one.title }}
  </button>
  <form v-if="what !== 'none'" class="deed" aria-label="Several routes" @submit.prevent="run">
    <template v-if="what === 'renumber'">
      <select v-model="counted" class="inline-field" aria-label="Numbers of">
        <option value="note">notes</option>
        <option value="controller">controllers</option>
        <option value="program">programs</option>
      </select>
      <label>by <input v-model="by" class="inline-field" size="4" aria-label="So many higher, or lower" /></label>
    </template>
    <label v-else-if="what === 'channel'"
      >to <input v-model="channel" class="inline-field" size="3" aria-label="Channel, 1 to 16"
    /></label>
    <select v-else v-model="port" class="inline-field" aria-label="To port">
      <option v-for="one in show.ports" :key="one.id" :value="one.id">{{ one.name }}</option>
    </select>
    <select v-model="side" class="inline-field" aria-label="Of what">
      <option v-for="one in sides" :key="one.value" :value="one.value">{{ one.title }}</option>
    </select>
    <button type="submit" class="small-button">Change {{ ids.length }}</button>
  </form>
  <p v-if="failed" class="wrong small deed" role="alert">{{ failed }}</p>
</template>

<style scoped src="../lists/deeds.css"></style>
