<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import ListPage from '@/lists/ListPage.vue'
import type { Row } from '@/lists/rows'
import { useEngine } from '@/live/engine'
import { leftOf, short, useProgramme } from './live'
import LookForm from './LookForm.vue'
import LookPanel from './LookPanel.vue'
import ProgrammeTabs from './ProgrammeTabs.vue'

/** The looks of the show: each is a plate, filled to its level. */
const show = useShow()
const session = useSession()
const engine = useEngine()
const { looks, now } = useProgramme()
const time = (seconds: number | undefined) => (seconds === undefined ? 'common' : `${short(seconds)} s`)
const hasSets = computed(() => show.looks.some((one) => one.set))
const rows = computed<Row[]>(() =>
  show.looks.map((one) => ({
    id: one.id,
    name: one.name,
    state: (looks.value.get(one.id)?.level ?? 0) > 0 ? 'live' : 'off',
    text: `in ${time(one.fadeIn)}, out ${time(one.fadeOut)}, ${(one.values ?? []).length === 1 ? '1 value' : `${(one.values ?? []).length} values`}`,
    group: one.set || (hasSets.value ? 'In no set' : ''),
  })),
)
const levelOf = (id: string) => looks.value.get(id)?.level ?? 0
function stateOf(id: string): string {
  const life = looks.value.get(id)
  if (!life) return ''
  const left = leftOf(life.until, now.value)
  if (life.level === 0) return `out ${left}`
  return left ? `in ${left}` : `${Math.round(life.level)} %`
}
</script>

<template>
  <ListPage
    list="looks"
    title="Programme"
    note=""
    what="look"
    whats="looks"
    path="/programme"
    :of="{ path: '/live', name: 'Live page' }"
    :parts="show.looks"
    :rows="rows"
    empty="No looks yet. Set the place by hand, or at a desk, until it looks right: then add a look, and take the values of what leaves."
    columns="minmax(0, 1fr) 470px"
  >
    <template #tabs><ProgrammeTabs /></template>
    <template #head>
      <v-btn v-if="session.mayOperate" :disabled="looks.size === 0" @click="engine.pressPoint('programme:release')"
        >Release all</v-btn
      >
    </template>
    <template #row="{ row }"
      ><span class="filled" :style="{ width: `${levelOf(row.id)}%` }" /><strong class="on-top">{{ row.name }}</strong>
      <span class="figures small on-top">{{ stateOf(row.id) }}</span>
      <span class="quiet small on-top words">{{ row.text }}</span></template
    >
    <template #form="{ part, done, cancel }">
      <LookForm :key="part?.id" :look="part" @done="done" @cancel="cancel" />
    </template>
    <template #panel="{ part, change, gone }">
      <LookPanel :key="`panel ${part.id}`" :look="part" @change="change" @gone="gone" />
    </template>
  </ListPage>
</template>

<style scoped>
.filled {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--fill);
  opacity: 0.7;
}
.on-top {
  position: relative;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
