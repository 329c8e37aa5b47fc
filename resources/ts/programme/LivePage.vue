<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import LiveNumber from '@/components/LiveNumber.vue'
import StateMark from '@/components/StateMark.vue'
import { useEngine } from '@/live/engine'
import NextOccasion from '@/timeline/NextOccasion.vue'
import RunningTimelines from '@/timeline/RunningTimelines.vue'
import BlackoutButton from './BlackoutButton.vue'
import LevelBar from './LevelBar.vue'
import { useProgramme } from './live'
import LookPlate from './LookPlate.vue'
import NextCue from './NextCue.vue'
import RunningList from './RunningList.vue'
import TempoControls from './TempoControls.vue'
import WavePlates from './WavePlates.vue'
import { useTroubles } from './wrong'

/** The page of the evening: what is running, what is next, what is wrong; masters beside. Nothing can be edited here. */
const show = useShow()
const session = useSession()
const engine = useEngine()
const { looks, lists, masters, now, news } = useProgramme()
const troubles = useTroubles()
const running = computed(() =>
  show.lists.flatMap((list) => {
    const life = lists.value.get(list.id)
    return life && life.state !== 'released' ? [{ list, life }] : []
  }),
)
const sets = computed(() => {
  const groups = new Map<string, typeof show.looks>()
  for (const look of show.looks) groups.set(look.set ?? '', [...(groups.get(look.set ?? '') ?? []), look])
  return [...groups]
})
const live = computed(() => show.looks.filter((one) => looks.value.has(one.id)))
const levelOf = (id: string) => {
  const life = looks.value.get(id)
  return !life || life.level === 0 ? 'going out' : `${Math.round(life.level)} %`
}
const waving = computed(() => {
  const on = new Set((news.value?.waves ?? []).filter((one) => one.isOn).map((one) => one.id))
  return show.waves.filter((one) => on.has(one.id))
})
const isAnything = computed(() => running.value.length + live.value.length + waving.value.length > 0)
const time = computed(() => news.value?.fadeTime ?? 0)
const setTime = (seconds: number) => void engine.setPoint('programme:fade-time', seconds)
</script>

<template>
  <div class="page live">
    <h1 class="sr">Live</h1>
    <section class="band" aria-label="Running">
      <h2>
        Running
        <button
          v-if="isAnything"
          type="button"
          class="small-button"
          :disabled="!session.mayOperate"
          @click="engine.pressPoint('programme:release')"
        >
          Release all
        </button>
      </h2>
      <RunningList v-for="one in running" :key="one.list.id" :list="one.list" :life="one.life" :now="now" />
      <RunningTimelines />
      <p v-if="live.length + waving.length" class="looks">
        <span v-for="look in live" :key="look.id"
          ><strong>{{ look.name }}</strong> <span class="figures">{{ levelOf(look.id) }}</span></span
        >
        <span v-for="wave in waving" :key="`wave ${wave.id}`"
          ><strong>{{ wave.name }}</strong> wave</span
        >
      </p>
      <p v-if="!isAnything" class="quiet">Nothing of the programme is running.</p>
    </section>
    <section class="band" aria-label="Next">
      <h2>Next <NextOccasion /></h2>
      <div class="nexts" :class="{ many: show.lists.length > 3 }">
        <NextCue v-for="list in show.lists" :key="list.id" :list="list" :life="lists.get(list.id)" :now="now" />
      </div>
      <div v-for="[set, ones] in sets" :key="set" class="set">
        <h3>{{ set || 'In no set' }}</h3>
        <div class="plates">
          <LookPlate v-for="look in ones" :key="look.id" :look="look" :life="looks.get(look.id)" :now="now" />
        </div>
      </div>
      <div v-if="show.waves.length" class="set">
        <h3>Waves</h3>
        <WavePlates :running="waving.map((one) => one.id)" />
      </div>
      <p v-if="show.document && show.looks.length + show.lists.length === 0" class="quiet">
        No looks and no cue lists yet. <router-link to="/programme">Make the first look</router-link>
      </p>
    </section>
    <section class="band wrongs" aria-label="Wrong">
      <h2>Wrong</h2>
      <p v-for="one in troubles" :key="one.key">
        <StateMark :state="one.state" /> <router-link :to="one.path">{{ one.words }}</router-link>
      </p>
      <p v-if="troubles.length === 0" class="quiet">No port is lost, silent or unsteady; nothing is held.</p>
    </section>
    <section class="masters" aria-label="Masters">
      <h2>Masters</h2>
      <LevelBar
        v-for="one in show.masters"
        :key="one.id"
        class="master"
        :value="masters.get(one.id)?.level ?? 0"
        :to="masters.get(one.id)?.to"
        :label="one.name"
        :disabled="!session.mayOperate"
        @set="engine.setPoint(`master:${one.id}`, $event)"
        >{{ one.name }}<template v-if="masters.get(one.id)?.isAlone">, solo</template></LevelBar
      >
      <p v-if="show.document && show.masters.length === 0" class="small quiet">
        No masters yet. <router-link v-if="session.mayBuild" to="/programme-masters">Add one over all that leaves</router-link>
      </p>
      <label class="time small"
        >Common fade time
        <LiveNumber :value="time" :min="0" :max="3600" :step="0.5" :disabled="!session.mayOperate" @set="setTime" />
        s</label
      >
      <TempoControls class="tempo" />
      <span class="spring" />
      <BlackoutButton large class="dark" />
    </section>
  </div>
</template>

<style scoped>
.live {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  grid-template-rows: minmax(190px, 26%) minmax(0, 1fr) minmax(71px, 9%);
  gap: 10px 24px;
  padding-top: 14px;
}
.sr {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}
.band {
  grid-column: 1;
  min-width: 0;
}
.band {
  overflow: auto;
}
h2 {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 32px;
}
.nexts.many {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  column-gap: 6px;
}
.plates {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 6px;
}
.set {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  margin-top: 6px;
}
.tempo {
  margin-top: 8px;
}
.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.wrongs {
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
.wrongs p {
  min-height: 30px;
}
.masters {
  grid-column: 2;
  grid-row: 1 / -1;
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  overflow: auto;
}
.master {
  min-height: 56px;
  flex: none;
}
.time input {
  width: 84px;
  min-height: 40px;
}
.spring {
  flex: 1;
  min-height: 32px;
}
.dark {
  flex: none;
}
@media (max-width: 1100px) {
  .live {
    grid-template-columns: minmax(0, 1fr) 240px;
  }
}
@media (max-width: 700px) {
  .set {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}
@media (max-width: 800px) {
  .live {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: none;
  }
  .masters {
    grid-column: 1;
    grid-row: auto;
  }
  .band {
    overflow: visible;
  }
}
</style>
