<script setup lang="ts">
import { renderSVG } from 'uqr'
import { computed } from 'vue'
import { useSession } from '@/api/session'
import { isOnThisMachine } from '@/api/here'
import { useShow, type Surface } from '@/api/show'
import { useAttempt } from '@/components/attempt'
import { copyText } from '@/components/handOver'
import { saveSurface } from './files'
import GuestList from './GuestList.vue'
import PassCode from './PassCode.vue'

/** One surface: its address to scan, who may use it, who does. */
const props = defineProps<{ surface: Surface }>()
const emit = defineEmits<{ change: []; gone: [] }>()
const show = useShow()
const session = useSession()
const { failed, attempt } = useAttempt()
const address = computed(() => `${location.origin}/s/${props.surface.id}`)
const isSafe = window.isSecureContext
const picture = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(renderSVG(address.value, { border: 2 }))}`)
const remove = () =>
  attempt(async () => {
    await show.remove('surfaces', props.surface.id)
    emit('gone')
  })
const print = () => window.print()
</script>

<template>
  <aside class="panel" aria-label="Surface">
    <div class="top">
      <h2>{{ surface.name }}</h2>
      <span class="spring" />
      <v-btn :href="`/s/${surface.id}`" target="_blank">Open</v-btn>
      <template v-if="session.mayBuild">
        <v-btn variant="flat" color="primary" @click="$router.push(`/surfaces-build/${surface.id}`)">Build</v-btn>
        <v-btn @click="emit('change')">Change</v-btn>
        <v-btn @click="saveSurface(surface)">Export</v-btn>
        <v-btn color="error" @click="remove">Delete</v-btn>
      </template>
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div class="scan">
      <img :src="picture" :alt="`QR code of ${address}`" />
      <div>
        <h3>Address</h3>
        <p class="figures">{{ address }}</p>
        <p class="actions">
          <button type="button" class="small-button" @click="copyText(address)">Copy</button>
          <button type="button" class="small-button" @click="print">Print</button>
        </p>
        <p v-if="isOnThisMachine" class="small quiet">
          You are on the machine itself. Open this page by the machine's address on the show's network, and the code is for phones
          there.
        </p>
      </div>
    </div>
    <p v-if="!isSafe" class="small quiet">
      This page came without TLS: browsers then neither install a surface nor keep its page for when the machine does not answer.
    </p>
    <p v-if="surface.kiosk">Kiosk: it is left by holding its name at the top, and by its pass code.</p>
    <PassCode
      v-if="(surface.entry ?? 'code') === 'code' || surface.kiosk"
      :surface="surface.id"
      :lets-in="(surface.entry ?? 'code') === 'code'"
    />
    <p v-if="surface.entry === 'network'">Open without a code to {{ (surface.networks ?? []).join(', ') }}.</p>
    <p v-else-if="surface.entry === 'people'">Only for people who log in.</p>
    <GuestList :surface="surface.id" />
  </aside>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.spring {
  flex: 1;
}
.scan {
  display: grid;
  grid-template-columns: 148px minmax(0, 1fr);
  gap: 16px;
  margin: 16px 0;
}
.scan img {
  width: 148px;
  background: #fff;
}
.scan p {
  overflow-wrap: anywhere;
}
</style>
