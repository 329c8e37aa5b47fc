<script setup lang="ts">
import { computed, ref } from 'vue'
import type { OtherEndLine } from '@/api/show'
import { copyText } from '@/components/handOver'

const props = defineProps<{ lines: OtherEndLine[]; name: string }>()
const sides = computed(() => [...new Set(props.lines.map((line) => line.side))])
const copied = ref(false)
const text = computed(() =>
  sides.value
    .map(
      (side) =>
        `${props.name}: ${side.toLowerCase()}\n${props.lines
          .filter((line) => line.side === side)
          .map((line) => `  ${line.label}: ${line.value}`)
          .join('\n')}`,
    )
    .join('\n\n'),
)

function copy(): void {
  copied.value = copyText(text.value)
  setTimeout(() => {
    copied.value = false
  }, 2000)
}
</script>

<template>
  <section aria-label="What the other end needs">
    <h2>What the other end needs</h2>
    <template v-for="side in sides" :key="side">
      <h3>{{ side }}</h3>
      <dl>
        <template v-for="line in lines.filter((one) => one.side === side)" :key="line.label"
          ><dt>{{ line.label }}</dt>
          <dd class="figures">{{ line.value }}</dd></template
        >
      </dl>
    </template>
    <v-btn size="small" @click="copy">{{ copied ? 'Copied' : 'Copy as text' }}</v-btn>
  </section>
</template>

<style scoped>
h3 {
  margin-top: 8px;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 4px 12px;
  margin-bottom: 12px;
  font-size: 14px;
}
dt {
  color: var(--quiet);
}
dd {
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
