<script setup lang="ts">
/** The beats of a bar: the one that is now is filled. */
defineProps<{ beat: number; bar: number; stands?: boolean }>()
</script>

<template>
  <span class="marks" role="img" :aria-label="stands ? 'stands' : `beat ${beat} of ${bar}`">
    <span v-for="one in bar" :key="one" class="mark" :class="{ now: !stands && one === beat, first: one === 1 }" />
  </span>
</template>

<style scoped>
.marks {
  display: inline-flex;
  gap: 4px;
  align-items: flex-end;
}
.mark {
  width: 10px;
  height: 10px;
  border: 1px solid var(--quiet);
}
.first {
  height: 16px;
}
.now {
  background: var(--alive);
  border-color: var(--alive);
}
</style>
