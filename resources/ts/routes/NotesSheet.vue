<script setup lang="ts">
import { computed } from 'vue'
import { useShow } from '@/api/show'
import { noteName } from '@/components/notes'

/** What notes mean, on paper: by their pitch, beside the trigger sheet. */
const show = useShow()
const notes = computed(() =>
  [...(show.document?.notes ?? [])].sort((a, b) => (a.channel ?? 0) - (b.channel ?? 0) || a.note - b.note),
)
</script>

<template>
  <table v-if="notes.length > 0" class="sheet" aria-label="What notes mean">
    <caption>
      What notes mean
    </caption>
    <thead>
      <tr>
        <th scope="col">Channel</th>
        <th scope="col">Note</th>
        <th scope="col">Number</th>
        <th scope="col">Meaning</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in notes" :key="one.id">
        <td class="figures">{{ one.channel ?? 'any' }}</td>
        <td class="figures">{{ noteName(one.note, show.document?.middleC ?? 4) }}</td>
        <td class="figures">{{ one.note }}</td>
        <td>{{ one.name }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sheet {
  display: none;
  margin-top: 20px;
  border-collapse: collapse;
  font-size: 13px;
}
caption {
  text-align: left;
  font-weight: 600;
}
th,
td {
  padding: 2px 12px 2px 0;
  text-align: left;
}
@media print {
  .sheet {
    display: table;
  }
}
</style>
