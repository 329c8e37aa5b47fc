<script setup lang="ts">
import { ref, watch } from 'vue'
import { spellLevel } from '@/components/levels'
import type { DeskDevice } from '@/live/standIns'
import DevicePanel from './DevicePanel.vue'

const props = defineProps<{ device: DeskDevice; locked: boolean }>()
const emit = defineEmits<{ play: [control: string, values: Record<string, unknown>] }>()
const priority = ref(100)
watch(
  () => props.device.priority,
  (now) => {
    priority.value = now ?? 100
  },
  { immediate: true },
)
const motions = [
  { value: 'still', title: 'Faders' },
  { value: 'wave', title: 'Slow wave' },
  { value: 'chase', title: 'Chase' },
]
</script>

<template>
  <DevicePanel :device="device" :locked="locked" @play="(control, values) => emit('play', control, values)">
    <template #where
      >{{ device.protocol }} from {{ device.address }} to {{ device.to }}, universe {{ device.universes.join(' and ') }}</template
    >
    <div class="faders">
      <label v-for="(level, i) in device.levels" :key="i">
        <span class="figures">{{ spellLevel(device.playing[i] ?? 0) }}</span>
        <input
          type="range"
          min="0"
          max="255"
          :value="level"
          :disabled="locked"
          :aria-label="`${device.name} fader ${i + 1}`"
          @input="emit('play', 'fader', { fader: i + 1, level: Number(($event.target as HTMLInputElement).value) })"
        />
        <span class="quiet">{{ i + 1 }}</span>
      </label>
    </div>
    <div class="row">
      <button
        v-for="motion in motions"
        :key="motion.value"
        type="button"
        :disabled="locked"
        :aria-pressed="device.motion === motion.value"
        @click="emit('play', 'motion', { motion: motion.value })"
      >
        {{ motion.title }}
      </button>
      <button
        type="button"
        :disabled="locked"
        :aria-pressed="device.thins"
        title="While nothing changes it sends only twice a second"
        @click="emit('play', 'thins', { on: !device.thins })"
      >
        Thins its output
      </button>
    </div>
    <div class="row">
      <button
        type="button"
        :disabled="locked"
        :class="{ pulled: !device.cable }"
        :aria-pressed="!device.cable"
        @click="emit('play', 'cable', { in: !device.cable })"
      >
        {{ device.cable ? 'Pull the cable' : 'Cable is out: plug it in' }}
      </button>
      <button type="button" :disabled="locked" @click="emit('play', 'broken', {})">Send broken packets</button>
      <button v-if="device.priority !== undefined" type="button" :disabled="locked" @click="emit('play', 'end', {})">
        Switch off properly
      </button>
    </div>
    <form
      v-if="device.priority !== undefined"
      class="row"
      @submit.prevent="emit('play', 'priority', { priority: Number(priority) })"
    >
      <label class="priority"
        >Priority, 0 to 200 <input v-model.number="priority" type="number" min="0" max="200" :disabled="locked" class="figures"
      /></label>
      <button type="submit" :disabled="locked">Set</button>
      <span class="quiet">sends with {{ device.priority }}</span>
    </form>
    <p class="quiet figures small count">{{ device.packets }} packets sent</p>
  </DevicePanel>
</template>

<style scoped>
.faders {
  display: grid;
  grid-template-columns: repeat(12, 1fr);
  gap: 4px;
  margin: 8px 0;
}
.faders label {
  display: grid;
  justify-items: center;
  gap: 4px;
  font-size: 13px;
}
.faders input {
  writing-mode: vertical-lr;
  direction: rtl;
  height: 110px;
  width: 28px;
}
@media (max-width: 700px) {
  .faders {
    grid-template-columns: repeat(6, 1fr);
  }
  .faders input {
    width: 44px;
  }
}
.priority input {
  width: 72px;
  background: none;
  border: 1px solid var(--rule);
  color: inherit;
  font-size: 15px;
  height: 36px;
  padding: 0 8px;
}
.count {
  margin-top: 8px;
}
</style>
