<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useSession } from '@/api/session'
import AddPerson from './AddPerson.vue'
import OwnPassword from './OwnPassword.vue'
import PersonRow from './PersonRow.vue'
import { ROLES, usePeople } from './people'

/** Who may log in, and what each may; one's own password. */
const session = useSession()
const all = usePeople()
const said = ref('')
onMounted(() => {
  if (session.mayBuild) void all.load()
})
</script>

<template>
  <div class="page">
    <div class="page-head"><h1>People</h1></div>
    <p v-if="all.failed.value" class="wrong" role="alert">{{ all.failed.value }}</p>
    <p v-else-if="said" role="status">{{ said }}</p>
    <div class="both">
      <section v-if="session.mayBuild" aria-label="Who may log in">
        <ul>
          <PersonRow v-for="one in all.people.value" :key="one.id" :person="one" :all="all" @said="said = $event" />
        </ul>
        <dl class="quiet small">
          <template v-for="one in ROLES" :key="one.value">
            <dt>{{ one.title }}</dt>
            <dd>{{ one.may }}</dd>
          </template>
        </dl>
        <p class="quiet small">
          What somebody may ends at once when it is taken: the pages that they have open close, with the devices that they lend. Who
          has lost their password and cannot ask a builder is helped at the machine:
          <code>php artisan junction:user NAME --ask-password</code>.
        </p>
      </section>
      <div class="side">
        <AddPerson v-if="session.mayBuild" :all="all" @said="said = $event" />
        <OwnPassword @said="said = $event" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 24px;
  align-items: start;
}
.side {
  display: grid;
  gap: 16px;
}
ul {
  padding: 0;
  margin: 0 0 16px;
  list-style: none;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 12px;
}
dd {
  margin: 0;
}
code {
  white-space: nowrap;
}
section > p {
  margin-top: 16px;
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
