<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { spellAgo, spellNumber, spellProtocol, spellRuns } from '@/components/words'
import { useEngine } from '@/live/engine'
import type { FoundService } from '@/live/shapes'
import type { LentDevice, Neighbour, Unclaimed } from '@/live/types'
import type { Look } from './draft'
import ServiceFind from './ServiceFind.vue'
import { portFor } from './services'

/** What says that it is there, what arrives and nobody asked for, what pages lend: one click makes a port of it. */
const emit = defineEmits<{ made: [id: string]; look: [what: Look] }>()
const show = useShow()
const session = useSession()
const engine = useEngine()
const { failed, attempt } = useAttempt()
const busy = ref('')
/** Someone that a port of ours already speaks to, or hears. */
const portOf = (find: Neighbour) =>
  show.ports.find((port) => port.protocol === find.protocol && (port.send?.to ?? []).includes(find.address)) ??
  (find.gives.length > 0
    ? show.ports.find((port) => port.protocol === find.protocol && engine.ports[port.id]?.senders[find.address])
    : undefined)
const lent = computed(() =>
  engine.finds.lent.map((one) => ({
    ...one,
    port: show.ports.find((port) => port.protocol === one.kind && port.link?.kind === 'browser' && port.link.device === one.name),
  })),
)
const nothing = computed(
  () =>
    engine.finds.neighbours.length +
      engine.finds.unclaimed.length +
      engine.finds.lent.length +
      engine.finds.services.length ===
    0,
)
/** Nobody is found without being asked, or listened to. */
const polls = computed(() => show.ports.some((port) => port.receive?.poll?.length))
const joins = computed(() => show.ports.some((port) => port.protocol === 'sacn' && port.receive?.multicast))
/** One sender of many universes is one find. */
const strays = computed(() => {
  const bySender = new Map<string, Unclaimed & { numbers: number[] }>()
  for (const one of engine.finds.unclaimed) {
    const key = `${one.protocol} ${one.from}`
    const before = bySender.get(key)
    if (before) before.numbers = [...before.numbers, one.number].sort((a, b) => a - b)
    else bySender.set(key, { ...one, numbers: [one.number] })
  }
  return [...bySender.values()]
})

async function make(key: string, how: () => Promise<{ id?: string }>): Promise<void> {
  busy.value = key
  await attempt(async () => emit('made', (await how()).id ?? ''))
  busy.value = ''
}
const takeUp = (one: Neighbour) =>
  make(one.key, () =>
    show.takeUp({ name: one.name, protocol: one.protocol, address: one.address, gives: one.gives, takes: one.takes }),
  )
const takeStray = (one: Unclaimed & { numbers: number[] }) =>
  make(one.from, () => {
    const ours = show.ports.find((port) => port.id === one.ports[0])?.receive?.address
    return show.takeUp({
      name: `${spellProtocol(one.protocol)} from ${one.from}`,
      protocol: one.protocol,
      address: one.from,
      gives: one.numbers,
      takes: [],
      ours,
    })
  })
const takeService = (one: FoundService) => make(one.name, () => show.add('ports', portFor(one)))
const takeLent = (one: LentDevice) =>
  make(one.name, () =>
    show.add('ports', {
      name: one.name,
      protocol: one.kind,
      link: { kind: 'browser', device: one.name },
      receive: {},
      ...(one.kind === 'midi' ? { send: {} } : {}),
    }),
  )
</script>

<template>
  <section aria-label="Found on the network">
    <h2>Found on the network</h2>
    <p v-if="nothing" class="quiet small">Nothing has said that it is there.</p>
    <p v-if="failed" class="wrong small" role="alert">{{ failed }}</p>
    <article v-for="one in engine.finds.neighbours" :key="one.key" class="find" :class="{ quiet: one.lost }">
      <strong>{{ one.name }}</strong>
      <p class="small quiet">
        {{ spellProtocol(one.protocol) }} at <span class="figures">{{ one.address }}</span><template v-if="one.details"
          >, {{ one.details }}</template
        >, {{ one.lost ? 'lost' : 'there' }} {{ one.lost ? spellAgo(one.heardAgo) : '' }}
      </p>
      <p v-if="one.gives.length" class="small">
        gives
        <span class="figures">{{
          one.gives.length === 1 ? spellNumber(one.protocol, one.gives[0] ?? 0) : spellRuns(one.gives)
        }}</span>
      </p>
      <p v-if="one.takes.length" class="small">
        takes
        <span class="figures">{{
          one.takes.length === 1 ? spellNumber(one.protocol, one.takes[0] ?? 0) : spellRuns(one.takes)
        }}</span>
      </p>
      <p v-if="portOf(one)" class="small">
        <router-link :to="`/ports/${portOf(one)?.id}`">is {{ portOf(one)?.name }}</router-link>
      </p>
      <button v-else-if="session.mayBuild" type="button" class="small-button" :disabled="busy !== ''" @click="takeUp(one)">
        Add as port
      </button>
    </article>
    <ServiceFind
      v-for="one in engine.finds.services"
      :key="`${one.type} ${one.name} ${one.address} ${one.port}`"
      :find="one"
      :busy="busy !== ''"
      @add="takeService(one)"
    />
    <article v-for="one in strays" :key="`${one.protocol} ${one.from}`" class="find stray">
      <strong
        >{{ spellProtocol(one.protocol) }} from <span class="figures">{{ one.from }}</span></strong
      >
      <p class="small">
        sends
        <span class="figures">{{
          one.numbers.length === 1 ? spellNumber(one.protocol, one.number) : spellRuns(one.numbers)
        }}</span>, and no port listens to that.
      </p>
      <button v-if="session.mayBuild" type="button" class="small-button" :disabled="busy !== ''" @click="takeStray(one)">
        Add as port
      </button>
      <router-link v-if="one.ports[0]" class="small" :to="{ path: `/ports/${one.ports[0]}`, query: { check: 1 } }"
        >Or was {{ show.portName(one.ports[0]) }} meant?</router-link
      >
    </article>
    <article v-for="one in lent" :key="`${one.kind} ${one.name}`" class="find">
      <strong>{{ one.name }}</strong>
      <p class="small quiet">{{ spellProtocol(one.kind) }}, lent by {{ one.who }}</p>
      <p v-if="one.port" class="small">
        <router-link :to="`/ports/${one.port.id}`">is {{ one.port.name }}</router-link>
      </p>
      <button v-else-if="session.mayBuild" type="button" class="small-button" :disabled="busy !== ''" @click="takeLent(one)">
        Add as port
      </button>
    </article>
    <p v-if="session.mayBuild && (!polls || !joins)" class="looks">
      <button
        v-if="!polls"
        type="button"
        class="small-button"
        title="A port that asks everybody on our networks who is there"
        @click="emit('look', 'art-net')"
      >
        Look for Art-Net nodes
      </button>
      <button
        v-if="!joins"
        type="button"
        class="small-button"
        title="A port that hears what sACN senders tell by multicast, every ten seconds"
        @click="emit('look', 'sacn')"
      >
        Look for sACN senders
      </button>
    </p>
    <p v-if="engine.finds.unnamed" class="small quiet">{{ engine.finds.unnamed }}</p>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 6px;
}
.find {
  border-top: 1px solid var(--rule);
  padding: 8px 0;
  overflow-wrap: anywhere;
}
.find p {
  margin: 2px 0;
}
.looks {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  margin-top: 8px;
}
.stray {
  border-left: 3px solid var(--held);
  padding-left: 10px;
}
.find .small-button + a {
  display: block;
  margin-top: 4px;
}
</style>
