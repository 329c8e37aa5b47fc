<script setup lang="ts">
import { computed } from 'vue'
import { halfFilled, leaving } from '@/kinds/halfFilled'

/** A half-filled form is about to be left. */
const open = computed({
  get: () => leaving.value !== null,
  set: (now) => {
    if (!now) leaving.value?.(false)
  },
})
</script>

<template>
  <v-dialog v-model="open" aria-label="Leave the form">
    <div class="panel leave">
      <h2>Leave "{{ halfFilled }}"?</h2>
      <p>What you typed there is not saved.</p>
      <div class="actions">
        <v-btn variant="flat" color="primary" autofocus @click="leaving?.(false)">Keep writing</v-btn>
        <v-btn color="error" @click="leaving?.(true)">Leave without saving</v-btn>
      </div>
    </div>
  </v-dialog>
</template>
