<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { spellAgo } from '@/components/words'
import { useEngine } from '@/live/engine'

/** Who has a surface open, from where, and when they touched it last. */
const props = defineProps<{ surface: string }>()
const engine = useEngine()
const session = useSession()
engine.follow(() => ['present', 'status'])
const here = computed(() => engine.present.filter((one) => one.place === `/s/${props.surface}`))
const ago = (at: number) => spellAgo(engine.since(at) ?? 0)
</script>

<template>
  <section aria-label="Who has it open">
    <h3>Open now: {{ here.length }}</h3>
    <table v-if="here.length" class="plain">
      <thead>
        <tr>
          <th>Who</th>
          <th>From</th>
          <th>Last touch</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in here" :key="one.page">
          <td>{{ one.role === 'guest' ? 'Guest' : one.name }}</td>
          <td class="figures">{{ one.address }}</td>
          <td>{{ one.touchedAt === null ? 'not yet' : ago(one.touchedAt) }}</td>
          <td>
            <button
              v-if="one.role === 'guest' && session.mayOperate"
              type="button"
              class="small-button"
              @click="engine.sendAway(one.page)"
            >
              Send away
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
