<script setup lang="ts">
import { computed } from 'vue'
import type { Opening } from '@/api/shelf'

/** Before another show is opened: what that changes for the ports. */
const props = defineProps<{ name: string; changes: Opening }>()
const emit = defineEmits<{ open: []; stay: [] }>()
const lines = computed(() =>
  [
    { what: 'Ports that close', names: props.changes.closes },
    { what: 'Ports that open', names: props.changes.opens },
    { what: 'Ports with other settings', names: props.changes.changes },
  ].filter((line) => line.names.length > 0),
)
const ports = (count: number) => (count === 1 ? '1 port' : `${count} ports`)
</script>

<template>
  <div class="ask" role="group" :aria-label="`Open ${name}`">
    <p v-for="line in lines" :key="line.what">
      <b>{{ line.what }} ({{ line.names.length }}):</b> {{ line.names.slice(0, 12).join(', ')
      }}<template v-if="line.names.length > 12"> and {{ line.names.length - 12 }} more</template>
    </p>
    <p>{{ lines.length ? `${ports(changes.stays)} as now.` : 'Nothing changes for the ports.' }} A backup is made first.</p>
    <div class="actions">
      <v-btn variant="flat" color="primary" @click="emit('open')">Open "{{ name }}"</v-btn>
      <v-btn @click="emit('stay')">Stay with the open show</v-btn>
    </div>
  </div>
</template>

<style scoped>
.ask {
  border-left: 3px solid var(--held);
  padding-left: 10px;
}
</style>
