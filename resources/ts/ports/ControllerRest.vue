<script setup lang="ts">
import { computed } from 'vue'
import { useLending } from '@/live/lending'

/** Where the axes of a controller rest: taken from one that a page lends here. */
const props = defineProps<{ device: string }>()
const centres = defineModel<number[]>({ required: true })
const lending = useLending()
const axes = computed(() => lending.controllers.find((one) => one.name === props.device)?.axes ?? [])
const take = () => {
  centres.value = axes.value.map((axis) => Math.round(axis * 1000) / 1000)
}
</script>

<template>
  <div class="wide small">
    <p>
      Axes rest at <span class="figures">{{ centres.length ? centres.join(', ') : '0' }}</span>.
    </p>
    <p v-if="axes.length === 0" class="quiet">
      To take the centres, lend this controller from the computer that it is plugged into, and open this form there.
    </p>
    <p v-else>
      Now they are at <span class="figures">{{ axes.map((axis) => axis.toFixed(3)).join(', ') }}</span>.
      <button type="button" class="small-button" @click="take">Release the stick, then take these as its centres</button>
    </p>
  </div>
</template>
