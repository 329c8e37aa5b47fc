<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { Refused } from '@/api/client'
import { isOnThisMachine } from '@/api/here'
import { useAwake } from './awake'
import CodeEntry from './CodeEntry.vue'
import { enter, entryOf, leave, wayOut, type Entry } from './door'
import { useKiosk } from './kiosk'
import PageGrid from './PageGrid.vue'
import { useRenewed } from './renewed'
import { makeSurface, provideSurface } from './surface'
import TopLine from './TopLine.vue'

/** A surface on a screen of its own: its door, then its pages. */
/** Whether this page was kept on the phone, because the show's machine did not answer. */
const props = defineProps<{ surface: string; isKept: boolean }>()
const AGAIN = 1500
/** A way out that nobody goes is closed again. */
const LEAVING = 30_000
const entry = ref<Entry | null>(null)
const note = ref(props.isKept ? why(null) : '')
const page = ref(0)
const surface = makeSurface(props.surface, (isSentAway) => void shut(isSentAway))
provideSurface(surface)
const news = surface.news
const shown = computed(() => news.value?.pages[Math.min(page.value, (news.value?.pages.length ?? 1) - 1)] ?? null)
/** Somebody has left the kiosk by its code, until the page is loaded again. */
const isOut = ref(false)
const isLeaving = ref(false)
let leaving = 0
const isKiosk = computed(() => news.value?.kiosk === true && !isOut.value)
const kiosk = useKiosk(isKiosk)
useAwake(() => surface.wakeUp())
useRenewed(surface.isLive)

/** Asks until somebody answers: a guest is shown no error page, but that it is not connected. */
async function look(): Promise<void> {
  try {
    entry.value = await entryOf(props.surface)
    if (props.isKept) setTimeout(() => location.reload(), AGAIN)
    else if (entry.value.entry === 'in') surface.start()
  } catch (refused) {
    note.value = why(refused)
    setTimeout(() => void look(), AGAIN)
  }
}
/** What is wrong, for somebody who has a phone in the hand. */
function why(refused: unknown): string {
  if (!navigator.onLine && !isOnThisMachine)
    return 'This phone is in no network. Join the Wi-Fi of the show; then this page comes by itself.'
  const isSilent = !(refused instanceof Refused) || refused.status === 0 || refused.status >= 500
  if (isSilent) return "The show's machine does not answer. This page tries it again by itself, every other second."
  return refused.message
}
async function shut(isSentAway: boolean): Promise<void> {
  if (isSentAway) {
    note.value = 'You were sent away from this surface.'
    await leave(props.surface).catch(() => null)
  }
  news.value = null
  await look()
}
function turn(by: number): void {
  page.value = Math.min((news.value?.pages.length ?? 1) - 1, Math.max(0, page.value + by))
}
function leaveKiosk(): void {
  isLeaving.value = true
  clearTimeout(leaving)
  leaving = window.setTimeout(() => (isLeaving.value = false), LEAVING)
}
async function isOutside(): Promise<void> {
  isLeaving.value = false
  isOut.value = true
  if (document.fullscreenElement) await document.exitFullscreen()
}
function theme(): void {
  const next = document.documentElement.dataset.theme === 'day' ? 'night' : 'day'
  document.documentElement.dataset.theme = next
  localStorage.setItem('theme', next)
}
onMounted(() => {
  document.documentElement.dataset.theme = localStorage.getItem('theme') === 'day' ? 'day' : 'night'
  void look()
})
</script>

<template>
  <main v-if="news && entry?.entry === 'in'" class="whole" :class="{ lost: !surface.isLive.value, idle: kiosk.isIdle.value }">
    <h1 class="unseen">{{ news.name || 'Surface' }}</h1>
    <TopLine
      :news="news"
      :page="page"
      :is-kiosk="isKiosk"
      @choose="page = $event"
      @theme="theme"
      @leave="leaveKiosk"
      @return="isOut = false"
    />
    <p v-if="!surface.isLive.value" class="line" role="alert">
      Not connected: what you touch is not sent. It comes back by itself.
    </p>
    <p v-else-if="surface.said.value" class="line" role="alert">{{ surface.said.value }}</p>
    <CodeEntry
      v-if="isLeaving"
      :name="news.name"
      note=""
      is-way-out
      :given="(code) => wayOut(props.surface, code)"
      @entered="isOutside"
      @back="isLeaving = false"
    />
    <PageGrid
      v-else-if="shown"
      :key="shown.id"
      class="page"
      :page="shown"
      :style="{ transform: `translate(${kiosk.shift.value.x}px, ${kiosk.shift.value.y}px)` }"
      @turn="turn"
    />
    <p v-else class="empty">{{ news.name ? 'This surface has no pages yet.' : 'This surface is not there any more.' }}</p>
  </main>
  <main v-else-if="entry?.entry === 'code'" class="whole">
    <CodeEntry :name="entry.name" :note="note" :given="(code) => enter(props.surface, code)" @entered="look" />
  </main>
  <main v-else-if="entry?.entry === 'closed'" class="whole message">
    <h1>This surface is closed to you.</h1>
    <p>{{ note || 'Ask whoever runs the show, or log in.' }}</p>
    <p><a :href="`/login?next=/s/${props.surface}`">Log in</a></p>
  </main>
  <main v-else class="whole message">
    <h1>{{ note === '' ? 'Connecting' : 'Not connected' }}</h1>
    <p role="status">{{ note }}</p>
  </main>
</template>

<style scoped>
.whole {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.page {
  flex: 1;
  min-height: 0;
}
.lost .page {
  filter: grayscale(1);
}
.idle .page {
  opacity: 0.45;
}
.line {
  margin: 0;
  padding: 8px 12px;
  border-bottom: 1px solid var(--rule);
  color: var(--wrong);
  font-weight: 600;
}
.message {
  margin: auto;
  padding: 24px;
  max-width: 40ch;
  justify-content: center;
}
.message h1 {
  margin: 0;
}
.empty {
  padding: 24px;
}
</style>
