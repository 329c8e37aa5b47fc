<script setup lang="ts">
/**
 * What stands beside a list. Where there is no room beside it, it comes up from
 * below when something was chosen; a form is closed by its own buttons.
 */
const props = withDefaults(defineProps<{ open: boolean; closes?: boolean }>(), { closes: true })
const emit = defineEmits<{ close: [] }>()
/** Beside the list it stays. */
function escape(): void {
  if (props.closes && matchMedia('(max-width: 900px)').matches) emit('close')
}
</script>

<template>
  <div class="sheet" :class="{ open }" @keydown.esc="escape">
    <div v-if="closes" class="sheet-head"><button type="button" @click="$emit('close')">Close</button></div>
    <slot />
  </div>
</template>

<style scoped>
.sheet {
  min-width: 0;
}
.sheet-head {
  display: none;
}
@media (max-width: 900px) {
  .sheet {
    display: none;
    position: absolute;
    z-index: 5;
    inset: auto 0 0 0;
    max-height: 78% !important;
    overflow: auto;
    background: rgb(var(--v-theme-surface));
    border-top: 3px solid rgb(var(--v-theme-on-background));
  }
  .sheet.open {
    display: block;
  }
  .sheet-head {
    display: flex;
    justify-content: flex-end;
    position: sticky;
    top: 0;
    z-index: 3;
    height: 0;
  }
  .sheet-head button {
    flex: none;
    height: 44px;
    padding: 0 18px;
    background: rgb(var(--v-theme-surface));
    border: 0;
    color: inherit;
    font: inherit;
    font-weight: 600;
    text-decoration: underline;
    cursor: pointer;
  }
  .sheet > :deep(.panel) {
    border: 0;
  }
  .sheet-head ~ :deep(.panel) > :is(header, h2, h2 + p) {
    padding-right: 72px;
  }
}
</style>
