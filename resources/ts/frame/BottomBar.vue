<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from '@/api/session'
import { isHere } from '@/router'
import ShowModeLock from './ShowModeLock.vue'
import { useLook } from './look'
import { useShowMode } from './showMode'

/** The pages on a phone: the five most used along the lower edge, the others and what the strip has no room for under "More". */
const emit = defineEmits<{ find: []; keys: [] }>()
const session = useSession()
const route = useRoute()
const { isDark, changeTheme, levelFormat, nextFormat } = useLook()
const { open: unlocked, isOn } = useShowMode()
const most = computed(() => unlocked.value.filter((place) => place.isMostUsed || isOn.value))
const others = computed(() => unlocked.value.filter((place) => !place.isMostUsed && !isOn.value))
const open = ref(false)
watch(
  () => route.fullPath,
  () => {
    open.value = false
  },
)
function then(what: () => void): void {
  open.value = false
  what()
}
</script>

<template>
  <nav class="bottom" aria-label="Pages">
    <div v-if="open" id="more-pages" class="more" @keydown.esc="open = false">
      <router-link v-for="place in others" :key="place.path" :to="place.path" :class="{ here: isHere(place, route.path) }">{{
        place.name
      }}</router-link>
      <button v-if="!isOn" type="button" @click="then(() => emit('find'))">Find anything</button>
      <button type="button" @click="nextFormat">Levels as {{ levelFormat }}: change</button>
      <button type="button" @click="changeTheme">{{ isDark ? 'Light theme' : 'Dark theme' }}</button>
      <button type="button" @click="then(() => emit('keys'))">Keys</button>
      <router-link v-if="!isOn" to="/people" @click="open = false">People</router-link>
      <ShowModeLock />
      <button type="button" @click="session.logout()">Log out {{ session.user?.name }}</button>
    </div>
    <div class="row">
      <router-link v-for="place in most" :key="place.path" :to="place.path" :class="{ here: isHere(place, route.path) }">{{
        place.name
      }}</router-link>
      <button
        type="button"
        :aria-expanded="open"
        aria-controls="more-pages"
        :class="{ here: open || others.some((place) => isHere(place, route.path)) }"
        @click="open = !open"
      >
        More
      </button>
    </div>
  </nav>
</template>

<style scoped>
.bottom {
  display: none;
  position: fixed;
  inset: auto 0 0 0;
  z-index: 11;
  background: rgb(var(--v-theme-background));
  border-top: 1px solid var(--rule);
}
.row {
  display: flex;
  height: var(--bar);
}
.row > * {
  flex: 1 1 auto;
}
.bottom :is(a, button) {
  display: flex;
  align-items: center;
  justify-content: center;
  min-height: 44px;
  padding: 0 4px;
  font: inherit;
  font-size: 13px;
  font-weight: 600;
  color: var(--quiet);
  text-decoration: none;
  background: none;
  border: 0;
  cursor: pointer;
}
.bottom .here {
  color: rgb(var(--v-theme-on-background));
  box-shadow: inset 0 3px 0 currentColor;
}
.more {
  display: grid;
  grid-template-columns: 1fr 1fr;
  max-height: 60vh;
  overflow: auto;
  border-bottom: 1px solid var(--rule);
  background: rgb(var(--v-theme-surface));
}
.more :is(a, button) {
  min-height: 48px;
  justify-content: flex-start;
  padding: 0 16px;
  font-size: 15px;
  border-bottom: 1px solid var(--rule);
}
.more .here {
  box-shadow: inset 3px 0 0 currentColor;
}
@media (max-width: 700px) {
  .bottom {
    display: block;
  }
}
</style>
