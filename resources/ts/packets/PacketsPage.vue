<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { call } from '@/api/client'
import PacketBytes from './PacketBytes.vue'
import PacketField from './PacketField.vue'
import { examples, partAt, type Dissection, type Format, type Lit, type Part } from './packet'

const GUESS = 'guess'
const route = useRoute()
const hex = ref(typeof route.query.hex === 'string' ? route.query.hex : '')
const format = ref(typeof route.query.format === 'string' ? route.query.format : GUESS)
const formats = ref<Format[]>([])
const found = ref<Dissection | null>(null)
const failed = ref('')
const lit = ref<Lit | null>(null)
const view = ref<'fields' | 'json'>('fields')
const json = ref('')
const choices = computed(() => [{ name: GUESS, title: 'guess by how it begins' }, ...formats.value])
const formatTitle = computed(() => formats.value.find((one) => one.name === found.value?.format)?.title ?? '')
let asked = 0

async function read(): Promise<void> {
  const turn = ++asked
  failed.value = ''
  if (hex.value.trim() === '') {
    found.value = null
    return
  }
  try {
    const answer = await call<Dissection>('POST', 'packets/decode', {
      hex: hex.value,
      format: format.value === GUESS ? null : format.value,
    })
    if (turn !== asked) return
    found.value = answer
    lit.value = null
    if (answer.fields !== undefined) json.value = JSON.stringify(answer.fields, null, 2)
  } catch (error) {
    failed.value = (error as Error).message
  }
}
async function write(): Promise<void> {
  failed.value = ''
  try {
    const named = found.value?.format ?? format.value
    hex.value = (await call<{ bytes: string }>('POST', 'packets/encode', { json: json.value, format: named })).bytes
    format.value = named
    view.value = 'fields'
  } catch (error) {
    failed.value = (error as Error).message
  }
}
function pointAtByte(byte: number | null): void {
  const part = byte === null || !found.value?.part ? null : partAt(found.value.part, byte)
  lit.value = part
}
function pointAtPart(part: Part | null): void {
  lit.value = part !== null && part.length > 0 ? { offset: part.offset, length: part.length } : null
}
let timer: ReturnType<typeof setTimeout> | undefined
watch([hex, format], () => {
  clearTimeout(timer)
  timer = setTimeout(read, 150)
})
watch(
  () => route.query.hex,
  (now) => {
    if (typeof now === 'string') hex.value = now
  },
)
onMounted(async () => {
  formats.value = (await call<{ formats: Format[] }>('GET', 'packets/formats')).formats
  await read()
})
</script>

<template>
  <div class="page">
    <div class="page-head">
      <h1>Packets</h1>
      <span class="quiet">Paste one, and see which byte says what.</span>
    </div>
    <div class="paste">
      <v-textarea v-model="hex" label="Bytes in hexadecimal" rows="2" max-rows="2" no-resize class="figures" spellcheck="false" />
      <v-select v-model="format" :items="choices" item-title="title" item-value="name" label="Format" />
    </div>
    <p v-if="failed" class="wrong" role="alert">{{ failed }}</p>
    <div v-if="!found" class="empty">
      <p>Nothing to read yet. Paste bytes from a capture, a log or the trace; blanks and colons do not matter.</p>
      <div class="actions">
        <v-btn
          v-for="one in examples"
          :key="one.name"
          size="small"
          @click="
            hex = one.hex;
            format = GUESS
          "
          >{{ one.name }}</v-btn
        >
      </div>
    </div>
    <div v-else class="halves">
      <section aria-label="Bytes of the packet">
        <header>
          <h2>{{ found.bytes.length / 2 }} bytes</h2>
        </header>
        <PacketBytes
          :bytes="found.bytes"
          :lit="lit"
          :wrong-at="found.refused ? found.refused.offset : null"
          @point="pointAtByte"
        />
      </section>
      <section aria-label="Fields of the packet">
        <header>
          <h2>{{ found.part?.name ?? formatTitle }}</h2>
          <span class="spring" />
          <v-btn
            v-if="found.part"
            size="small"
            :aria-pressed="view === 'json'"
            @click="view = view === 'json' ? 'fields' : 'json'"
            >{{ view === 'json' ? 'As fields' : 'As JSON, to change' }}</v-btn
          >
        </header>
        <p v-if="found.part?.meaning" class="quiet">{{ found.part.meaning }}</p>
        <div v-if="found.refused" class="refused wrong" role="alert">
          <p>
            <strong>Refused at byte {{ found.refused.offset }}:</strong> {{ found.refused.error }}.
          </p>
          <p class="quiet">{{ found.refused.clause }}</p>
        </div>
        <template v-else-if="view === 'json'">
          <v-textarea v-model="json" label="Fields as JSON" rows="12" class="figures" spellcheck="false" />
          <div class="actions"><v-btn variant="flat" color="primary" @click="write">Write the bytes</v-btn></div>
        </template>
        <ul v-else-if="found.part" class="fields-list" tabindex="-1">
          <PacketField
            v-for="part in found.part.parts"
            :key="part.name"
            :part="part"
            :lit="lit"
            :depth="0"
            @point="pointAtPart"
          />
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.paste {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 16px;
  align-items: start;
  margin-bottom: 16px;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px;
  align-items: start;
}
section header {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 36px;
  margin-bottom: 8px;
}
.spring {
  flex: 1;
}
.fields-list {
  list-style: none;
  padding: 0;
  max-height: calc(100vh - 350px);
  overflow: auto;
  border: 1px solid var(--rule);
  background: rgb(var(--v-theme-surface));
}
.refused {
  border-left: 3px solid var(--wrong);
  padding: 4px 12px;
}
@media (max-width: 1000px) {
  .halves,
  .paste {
    grid-template-columns: 1fr;
  }
}
</style>
