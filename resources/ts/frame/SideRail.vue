<script setup lang="ts">
import { useSession } from '@/api/session'
import { isHere } from '@/router'
import ShowModeLock from './ShowModeLock.vue'
import { useShowMode } from './showMode'

const session = useSession()
const { open } = useShowMode()
</script>

<template>
  <nav class="rail" aria-label="Pages">
    <router-link v-for="place in open" :key="place.path" :to="place.path" :class="{ here: isHere(place, $route.path) }">{{
      place.name
    }}</router-link>
    <span class="spring" />
    <ShowModeLock />
    <p class="who">
      <span class="quiet">Logged in as</span><br /><router-link to="/people" title="People, and your password"
        >{{ session.user?.name
        }}<template v-if="session.user?.name !== session.user?.role">, {{ session.user?.role }}</template></router-link
      >
    </p>
    <button type="button" @click="session.logout()">Log out</button>
    <p class="version quiet figures" title="Version of Nimble Junction">{{ session.user?.version }}</p>
  </nav>
</template>

<style scoped>
.rail {
  position: fixed;
  inset: var(--strip) auto var(--line) 0;
  width: var(--rail);
  border-right: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  padding: 12px 0;
  overflow: hidden auto;
  scrollbar-width: thin;
}
/* It ends where the open trace begins: every page is reached by scrolling. */
.rail.drawn {
  bottom: 300px;
}
.rail a,
.rail button {
  display: block;
  padding: 6px 16px;
  text-decoration: none;
  color: var(--quiet);
  font: inherit;
  font-weight: 600;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
}
.rail a:hover,
.rail button:hover {
  color: rgb(var(--v-theme-on-background));
}
.rail a.here {
  color: rgb(var(--v-theme-on-background));
  box-shadow: inset 3px 0 0 currentColor;
}
.spring {
  flex: 1;
}
.rail .who a {
  display: inline;
  padding: 0;
  text-decoration: underline;
}
.version {
  padding: 0 16px;
  font-size: 12px;
}
.who {
  padding: 8px 16px;
  font-size: 13px;
  overflow-wrap: anywhere;
}
@media (max-width: 900px) {
  .rail :is(a, button) {
    min-height: 44px;
    padding: 6px 4px 6px 12px;
  }
}
@media (max-width: 700px) {
  .rail {
    display: none;
  }
}
</style>
