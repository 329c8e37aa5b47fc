<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { useLending } from '@/live/lending'

const lending = useLending()
const session = useSession()
const midi = computed(() =>
  [...new Set([...lending.inputs, ...lending.outputs])].map((name) => ({
    name,
    way: [lending.inputs.includes(name) ? 'in' : '', lending.outputs.includes(name) ? 'out' : ''].filter(Boolean).join(' and '),
  })),
)
const pressed = (buttons: number[]) => buttons.flatMap((value, i) => (value > 0 ? [i + 1] : []))
</script>

<template>
  <section class="lending" aria-label="Lend devices">
    <h2>Lend devices</h2>
    <p class="quiet small">What is plugged into this computer can be lent to the engine while this page is open.</p>
    <button
      v-if="lending.midi === 'unasked'"
      type="button"
      class="small-button"
      :disabled="!session.mayOperate"
      @click="lending.askMidi()"
    >
      Show the MIDI devices here
    </button>
    <p v-else-if="lending.midi === 'missing'" class="wrong small">
      This browser has no MIDI: use one that has, over HTTPS or on the engine's own computer.
    </p>
    <p v-else-if="lending.midi === 'refused'" class="wrong small">
      The browser refused. Allow MIDI for this page in its site settings, then load it again.
    </p>
    <p v-else-if="midi.length === 0" class="small">No MIDI device is plugged in here.</p>
    <article v-for="one in midi" :key="one.name" class="device">
      <strong>{{ one.name }}</strong> <span class="quiet small">MIDI {{ one.way }}</span>
      <button
        type="button"
        class="small-button"
        :disabled="!session.mayOperate"
        :aria-pressed="lending.isLent('midi', one.name)"
        :aria-label="`Lend ${one.name}`"
        @click="lending.turn('midi', one.name)"
      >
        {{ lending.isLent('midi', one.name) ? 'Lent' : 'Lend' }}
      </button>
    </article>
    <p v-if="lending.controllers.length === 0" class="quiet small">
      A game controller shows here when one of its buttons is pressed.
    </p>
    <article v-for="one in lending.controllers" :key="one.name" class="device">
      <strong>{{ one.name }}</strong>
      <button
        type="button"
        class="small-button"
        :disabled="!session.mayOperate"
        :aria-pressed="lending.isLent('controller', one.name)"
        :aria-label="`Lend ${one.name}`"
        @click="lending.turn('controller', one.name)"
      >
        {{ lending.isLent('controller', one.name) ? 'Lent' : 'Lend' }}
      </button>
      <p class="small figures">
        axes {{ one.axes.map((axis) => axis.toFixed(2)).join(' ') }}; buttons {{ pressed(one.buttons).join(' ') || 'none' }}
      </p>
    </article>
  </section>
</template>

<style scoped>
.lending {
  margin-top: 20px;
}
.lending > * {
  margin-top: 6px;
}
.device {
  border-top: 1px solid var(--rule);
  padding: 8px 0;
  overflow-wrap: anywhere;
}
.device .small-button {
  display: block;
  margin-top: 4px;
}
</style>
