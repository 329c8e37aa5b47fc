<script setup lang="ts">
import { useRoute } from 'vue-router'

/** An address that no page has. */
const route = useRoute()
</script>

<template>
  <div class="page">
    <header class="page-head"><h1>There is no page here</h1></header>
    <p>Nothing has the address {{ route.path }}. It may have been typed wrong, or be from an older version.</p>
    <p><router-link to="/">Overview</router-link></p>
  </div>
</template>
