<script setup lang="ts">
import type { Difference } from '@/api/history'

/** What is otherwise, part by part and field by field. */
defineProps<{ difference: Difference }>()
</script>

<template>
  <p v-if="difference.lines.length === 0" class="quiet">Nothing.</p>
  <table v-else>
    <thead>
      <tr>
        <th scope="col">What</th>
        <th scope="col">From</th>
        <th scope="col">To</th>
      </tr>
    </thead>
    <tbody v-for="line in difference.lines" :key="line.what">
      <tr>
        <th scope="row" colspan="3">{{ line.what }}</th>
      </tr>
      <tr v-for="one in line.differences" :key="one.field">
        <td>{{ one.field.replaceAll('/', ', ') }}</td>
        <td class="figures">{{ one.was }}</td>
        <td class="figures">{{ one.is }}</td>
      </tr>
    </tbody>
  </table>
  <p v-if="difference.more > 0" class="quiet">And {{ difference.more }} more.</p>
</template>

<style scoped>
table {
  table-layout: fixed;
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 3px 8px 3px 0;
  vertical-align: top;
  overflow-wrap: anywhere;
}
thead th {
  color: var(--quiet);
  font-weight: 400;
}
tbody th {
  border-top: 1px solid var(--rule);
}
</style>
