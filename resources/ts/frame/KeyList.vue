<script setup lang="ts">
import { keyTable } from './keys'

const open = defineModel<boolean>({ required: true })
</script>

<template>
  <v-dialog v-model="open" aria-label="Keys">
    <div class="panel">
      <h2>Keys</h2>
      <table class="plain">
        <tbody>
          <tr v-for="row in keyTable" :key="row.key">
            <td class="figures">{{ row.key }}</td>
            <td>{{ row.does }}</td>
          </tr>
        </tbody>
      </table>
      <div class="actions"><v-btn autofocus @click="open = false">Close</v-btn></div>
    </div>
  </v-dialog>
</template>
