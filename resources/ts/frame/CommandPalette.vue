<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { MOST_FOUND, useFinds, type Find } from './finds'

/** Anything by its name, an address, a number or a word of what is said of it. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ step: [way: 'undo' | 'redo']; keys: []; trace: [] }>()
const text = ref('')
const at = ref(0)
const field = ref<HTMLInputElement | null>(null)
const { found } = useFinds(text, {
  step: (way) => emit('step', way),
  keys: () => emit('keys'),
  trace: () => emit('trace'),
})
/** Nothing is looked for while it is closed. */
const all = computed(() => (open.value ? found.value : []))
const shown = computed(() => all.value.slice(0, MOST_FOUND))
watch(open, async (now) => {
  text.value = ''
  if (now) {
    await nextTick()
    field.value?.focus()
  }
})
watch(text, () => {
  at.value = 0
})
function run(one: Find | undefined): void {
  if (!one) return
  open.value = false
  one.run()
}
</script>

<template>
  <v-dialog v-model="open" aria-label="Find">
    <div class="panel">
      <input
        ref="field"
        v-model="text"
        aria-label="Find a port, universe, slot, fixture, route, address, page or action"
        placeholder="Find a port, universe, slot, fixture, route, address, page or action"
        role="combobox"
        aria-controls="found"
        :aria-expanded="true"
        :aria-activedescendant="`found-${at}`"
        @keydown.down.prevent="at = Math.min(at + 1, shown.length - 1)"
        @keydown.up.prevent="at = Math.max(at - 1, 0)"
        @keydown.enter.prevent="run(shown[at])"
      />
      <ul id="found" role="listbox" aria-label="Found">
        <li
          v-for="(one, i) in shown"
          :id="`found-${i}`"
          :key="`${i} ${one.kind} ${one.name}`"
          role="option"
          :aria-selected="i === at"
          @click="run(one)"
          @mousemove="at = i"
        >
          <span class="quiet">{{ one.kind }}</span>
          <span>{{ one.name }}</span>
          <span class="quiet small more">{{ one.more }}</span>
        </li>
      </ul>
      <p v-if="all.length === 0" class="quiet none">
        Nothing is called that, and nothing has it in its address, number or sentence.
      </p>
      <p v-else-if="all.length > shown.length" class="quiet none" role="status">
        and {{ all.length - shown.length }} more: write more of it
      </p>
    </div>
  </v-dialog>
</template>

<style scoped>
input {
  width: 100%;
  padding: 12px;
  font: inherit;
  font-size: 18px;
  color: inherit;
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  outline: none;
}
ul {
  list-style: none;
  padding: 8px 0 0;
}
li {
  padding: 8px 12px;
  cursor: pointer;
  display: grid;
  grid-template-columns: 84px auto minmax(0, 1fr);
  gap: 8px;
  align-items: baseline;
}
.more {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 64px 1fr;
    min-height: 44px;
  }
  .more {
    grid-column: 2;
  }
}
li[aria-selected='true'] {
  background: rgb(var(--v-theme-surface-variant));
}
.none {
  padding: 12px;
}
</style>
