<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import GoneNote from '@/components/GoneNote.vue'
import SideSheet from '@/components/SideSheet.vue'
import { onceLeft } from '@/kinds/halfFilled'
import PartList from '@/lists/PartList.vue'
import type { Row } from '@/lists/rows'
import { fixturesOf } from './groups'
import GroupForm from './GroupForm.vue'
import GroupPanel from './GroupPanel.vue'

/** Groups of fixtures, in an order: what is set on one is set on each. */
const show = useShow()
const session = useSession()
const route = useRoute()
const router = useRouter()
const side = ref<'group' | 'change' | 'new'>('group')
const chosen = computed(() => show.groups.find((one) => one.id === route.params.id) ?? null)
watch(
  () => route.params.id,
  () => {
    side.value = 'group'
  },
)
const nameOf = (id: string) => show.fixtures.find((one) => one.id === id)?.name ?? id
const rows = computed<Row[]>(() =>
  show.groups.map((one) => ({
    id: one.id,
    name: one.name,
    text: fixturesOf(one.id, show.groups).slice(0, 20).map(nameOf).join(', '),
  })),
)
const open = (what: typeof side.value) =>
  onceLeft(() => {
    side.value = what
  })
const choose = (id: string) => void router.push(`/patch-groups/${id}`)
function done(id: string): void {
  side.value = 'group'
  void router.push(id ? `/patch-groups/${id}` : '/patch-groups')
}
</script>

<template>
  <div class="page sized">
    <div class="page-head">
      <h1>Groups</h1>
      <span class="quiet">Fixtures that are set together.</span><span class="spring" />
      <v-btn to="/patch">Patch</v-btn>
      <v-btn v-if="session.mayBuild" variant="flat" color="primary" :disabled="show.fixtures.length === 0" @click="open('new')"
        >Add a group</v-btn
      >
    </div>
    <GoneNote :id="route.params.id" what="group" :all="show.groups" path="/patch-groups" :loaded="show.document !== undefined" />
    <div class="split">
      <div class="lists">
        <p v-if="show.document && show.groups.length === 0" class="empty">
          No groups yet. Select fixtures in the patch and make a group of them, or add one here.
        </p>
        <PartList v-else list="groups" what="groups" :rows="rows" :chosen="chosen?.id" class="tall" @choose="choose">
          <template #row="{ row }"
            ><strong>{{ row.name }}</strong> <span class="figures small">{{ fixturesOf(row.id, show.groups).length }}</span>
            <span class="quiet small words">{{ row.text }}</span></template
          >
        </PartList>
      </div>
      <SideSheet
        :open="side !== 'group' || Boolean(route.params.id)"
        :closes="side === 'group'"
        @close="router.push('/patch-groups')"
      >
        <GroupForm v-if="side === 'new'" key="new" :group="null" @done="done" @cancel="side = 'group'" />
        <GroupForm
          v-else-if="side === 'change' && chosen"
          :key="chosen.id"
          :group="chosen"
          @done="done"
          @cancel="side = 'group'"
        />
        <GroupPanel v-else-if="chosen" :key="`panel ${chosen.id}`" :group="chosen" @change="side = 'change'" @gone="done('')" />
      </SideSheet>
    </div>
  </div>
</template>

<style scoped>
.sized {
  container-type: size;
}
.split > * {
  max-height: calc(100cqh - 52px);
  overflow: auto;
}
.lists {
  display: flex;
  flex-direction: column;
}
.tall {
  min-height: 200px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 900px) {
  .split > * {
    max-height: none;
  }
}
</style>
