<script setup lang="ts">
import { computed } from 'vue'
import { halfFilled, leaving, storing } from '@/kinds/halfFilled'

/** A half-filled form is about to be left. */
const open = computed({
  get: () => leaving.value !== null && !storing.value,
  set: (now) => {
    if (!now) leaving.value?.('stay')
  },
})
</script>

<template>
  <v-dialog v-model="open" aria-label="Leave the form">
    <div class="panel leave">
      <h2>Leave "{{ halfFilled }}"?</h2>
      <p>What you typed there is not saved.</p>
      <div class="actions">
        <v-btn variant="flat" color="primary" autofocus @click="leaving?.('stay')">Keep writing</v-btn>
        <v-btn color="error" @click="leaving?.('leave')">Leave without saving</v-btn>
      </div>
    </div>
  </v-dialog>
</template>
