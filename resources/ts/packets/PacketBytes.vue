<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { Lit } from './packet'

const props = defineProps<{ bytes: string; lit: Lit | null; wrongAt: number | null }>()
const emit = defineEmits<{ point: [byte: number | null] }>()
const PER_ROW = 16
const MOST = 2048
const at = ref(0)
const list = ref<HTMLElement | null>(null)
const values = computed(() => (props.bytes.match(/../g) ?? []).slice(0, MOST))
const rows = computed(() => Array.from({ length: Math.ceil(values.value.length / PER_ROW) }, (_, row) => row * PER_ROW))
const isLit = (byte: number) => props.lit !== null && byte >= props.lit.offset && byte < props.lit.offset + props.lit.length
function text(row: number): string {
  return values.value
    .slice(row, row + PER_ROW)
    .map((hex) => {
      const code = parseInt(hex, 16)
      return code >= 32 && code < 127 ? String.fromCharCode(code) : '·'
    })
    .join('')
}
async function move(by: number): Promise<void> {
  at.value = Math.max(0, Math.min(values.value.length - 1, at.value + by))
  emit('point', at.value)
  await nextTick()
  list.value?.querySelector('.cursor')?.scrollIntoView({ block: 'nearest' })
}
</script>

<template>
  <div
    ref="list"
    class="bytes figures"
    tabindex="0"
    role="group"
    aria-label="Bytes: arrow keys point at them"
    @mouseleave="emit('point', null)"
    @focus="emit('point', at)"
    @blur="emit('point', null)"
    @keydown.right.prevent="move(1)"
    @keydown.left.prevent="move(-1)"
    @keydown.down.prevent="move(PER_ROW)"
    @keydown.up.prevent="move(-PER_ROW)"
  >
    <div v-for="row in rows" :key="row" class="row">
      <span class="place quiet">{{ row }}</span>
      <span class="sixteen"
        ><span
          v-for="(hex, i) in values.slice(row, row + PER_ROW)"
          :key="i"
          class="byte"
          :data-byte="row + i"
          :class="{ lit: isLit(row + i), wrong: wrongAt === row + i, cursor: at === row + i }"
          @mouseenter="
            at = row + i;
            emit('point', row + i)
          "
          >{{ hex.toUpperCase() }}</span
        ></span
      >
      <span class="text quiet">{{ text(row) }}</span>
    </div>
    <p v-if="wrongAt !== null && wrongAt >= values.length && values.length < MOST" class="wrong end">
      It ends here, at byte {{ wrongAt }}.
    </p>
    <p v-if="bytes.length / 2 > MOST" class="quiet end">{{ bytes.length / 2 }} bytes in all; the first {{ MOST }} are shown.</p>
  </div>
</template>

<style scoped>
.bytes {
  background: var(--sunk);
  border: 1px solid var(--rule);
  padding: 8px 0;
  overflow: auto;
  max-height: calc(100vh - 350px);
  min-height: 120px;
  font-size: 12.5px;
  line-height: 1.7;
}
.row {
  display: grid;
  grid-template-columns: 32px auto 1fr;
  gap: 8px;
  padding: 0 8px;
  white-space: nowrap;
}
.place {
  text-align: right;
}
.byte {
  display: inline-block;
  padding: 0 2px;
  cursor: default;
}
.byte:nth-child(8) {
  margin-right: 8px;
}
.byte.lit {
  background: var(--fill);
  color: rgb(var(--v-theme-on-background));
}
.byte.wrong {
  background: var(--wrong);
  color: rgb(var(--v-theme-background));
}
.bytes:focus-visible .cursor {
  outline: 1px solid currentColor;
}
.text {
  letter-spacing: 0;
}
.end {
  padding: 4px 12px;
}
</style>
