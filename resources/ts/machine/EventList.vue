<script setup lang="ts">
import { watch } from 'vue'
import { KINDS, houseTime, useEvents } from './machine'

/** What has happened in this house, the newest first. */
const { events, kind, text, look } = useEvents()
watch([kind, text], () => void look())
</script>

<template>
  <section aria-label="What has happened">
    <div class="tools">
      <select v-model="kind" class="inline-field" aria-label="Kind of event">
        <option value="">All</option>
        <option v-for="(name, one) in KINDS" :key="one" :value="one">{{ name }}</option>
      </select>
      <input v-model="text" class="inline-field find" type="search" placeholder="Find in them" aria-label="Find in the events" />
      <a class="small-button" href="/api/events/file" download="events.jsonl">All as JSON lines</a>
    </div>
    <table class="plain">
      <thead>
        <tr>
          <th>When</th>
          <th>Kind</th>
          <th>What</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, i) in events" :key="`${one.at} ${i}`">
          <td class="figures quiet when">{{ houseTime(one.at) }}</td>
          <td :class="{ strong: one.kind === 'alarm' || one.kind === 'fault' || one.kind === 'lost' }">
            {{ KINDS[one.kind] ?? one.kind }}
          </td>
          <td class="what">
            {{ one.words }}<span v-if="one.by && one.kind === 'edit'" class="quiet">, by {{ one.by }}</span>
            <router-link v-if="one.port" :to="`/ports/${one.port}`" class="small">look</router-link>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="events.length === 0" class="quiet">Nothing {{ kind || text ? 'like this ' : '' }}has happened yet.</p>
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 8px;
}
a.small-button {
  text-decoration: none;
  align-self: center;
}
.find {
  flex: 1;
  min-width: 160px;
}
.when {
  white-space: nowrap;
}
.what {
  width: 100%;
  overflow-wrap: anywhere;
}
.strong {
  font-weight: 700;
}
</style>
