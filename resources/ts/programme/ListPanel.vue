<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow, type CueList } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import LiveNumber from '@/components/LiveNumber.vue'
import { useEngine } from '@/live/engine'
import CueForm from './CueForm.vue'
import CueSheet from './CueSheet.vue'
import CueTable from './CueTable.vue'
import ForeseePanel from './ForeseePanel.vue'
import ListControls from './ListControls.vue'
import { useProgramme } from './live'
import { listSentence } from './sentences'

/** One cue list: what it does, how it runs, its cues. */
const props = defineProps<{ list: CueList }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { lists, now } = useProgramme()
const { failed, attempt } = useAttempt()
const life = computed(() => lists.value.get(props.list.id))
const opened = ref('')
const wrong = ref('')
const hasSheet = ref(false)
const cue = computed(() => (props.list.cues ?? []).find((one) => one.number === opened.value) ?? null)
const remove = () =>
  attempt(async () => {
    await show.remove('lists', props.list.id)
    emit('gone')
  })
const setRate = (rate: number) => void engine.setPoint(`list:${props.list.id}/rate`, rate)
</script>

<template>
  <aside class="panel" aria-label="Cue list">
    <div class="top">
      <h2>{{ list.name }}</h2>
      <ListControls :list="list" :life="life" />
      <label class="small rate"
        >Rate
        <LiveNumber :value="life?.rate ?? 1" :min="0.05" :max="20" :step="0.05" :disabled="!session.mayOperate" @set="setRate" />
        ×</label
      >
      <span class="spring" />
      <template v-if="session.mayBuild">
        <v-btn :aria-expanded="hasSheet" @click="hasSheet = !hasSheet">Table</v-btn><v-btn @click="emit('change')">Change</v-btn
        ><v-btn color="error" @click="remove">Delete</v-btn>
      </template>
    </div>
    <p class="small">{{ listSentence(list) }}</p>
    <p v-if="failed || wrong" class="wrong" role="alert">{{ failed || wrong }}</p>
    <CueSheet v-if="hasSheet" :list="list.id" @done="hasSheet = false" />
    <CueTable :list="list" :life="life" :now="now" :open="opened" @open="opened = $event" @failed="wrong = $event" />
    <ForeseePanel
      v-if="session.mayBuild && list.cues?.length"
      :what="opened ? { list: list.id, cue: opened } : { list: list.id }"
      :label="opened ? `What would cue ${opened} do now?` : 'What would the next cue do now?'"
    />
    <CueForm v-if="cue" :key="`${list.id} ${opened}`" :list="list" :cue="cue" @done="opened = ''" />
  </aside>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.spring {
  flex: 1;
}
.rate input {
  width: 64px;
}
</style>
