<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import SoundFields from './SoundFields.vue'
import { useFollowed } from '@/kinds/followed'
import PointField from '@/kinds/PointField.vue'
import { withoutTrack, withTrackFields } from './edit'
import { useEditing } from './editing'
import type { Track } from './parts'

/** A track's name, what it moves, and whether it is there at all. */
const props = defineProps<{ track: Track }>()
const editing = useEditing()
const session = useSession()
const show = useShow()
const senders = computed(() => show.ports.filter((one) => one.protocol === 'midi' && one.send))
const draft = useFollowed(
  () => {
    const { name, colour, early, does } = props.track
    return {
      name,
      point: does.kind === 'levels' ? (does.point ?? '') : '',
      colour: colour ?? '',
      early: early ?? 0,
      port: does.kind === 'notes' ? (does.port ?? '') : '',
      channel: does.kind === 'notes' ? (does.channel ?? 1) : 1,
      at: does.kind === 'sound' ? (does.at ?? 0) : 0,
    }
  },
  () => props.track.id,
)
function store(): void {
  const timeline = editing.timeline.value
  if (!timeline) return
  const { name, point, colour, early, port, channel, at } = draft.value
  const was = props.track.does
  const does =
    was.kind === 'levels'
      ? { ...was, point: point || undefined }
      : was.kind === 'notes'
        ? { ...was, port: port || undefined, channel: Number(channel) || 1 }
        : was.kind === 'sound'
          ? { ...was, at: Math.max(0, Number(at) || 0) }
          : was
  editing.turnInto(
    withTrackFields(timeline, props.track.id, { name, does, colour: colour || undefined, early: Number(early) || undefined }),
  )
}
const tolerance = ref(1)
const told = ref('')
/** In percent of what it can be. */
async function thin(): Promise<void> {
  const [low, high] = editing.usual(props.track)
  const answer = await editing.ask('thin', { track: props.track.id, tolerance: ((high - low) * tolerance.value) / 100 })
  if (answer) told.value = `${answer.before} points became ${answer.after}, off by at most ${answer.off}.`
}
function remove(): void {
  if (editing.timeline.value && editing.turnInto(withoutTrack(editing.timeline.value, props.track.id))) editing.track.value = ''
}
</script>

<template>
  <form class="panel" aria-label="Track" @submit.prevent="store">
    <h2>{{ track.name }}</h2>
    <p class="small quiet">
      {{
        track.does.kind === 'levels'
          ? 'A level over time. Click twice to set a point of its line, drag points, or move them with Shift and the arrow keys.'
          : track.does.kind === 'notes'
            ? 'Notes for an instrument or another program. Click twice to set one; Shift and the arrow keys move it.'
            : track.does.kind === 'clips'
              ? 'Looks, waves and other timelines, each for a while. Click twice to set one.'
              : track.does.kind === 'sound'
                ? 'A sound to see and to hear on this page; it is not sent anywhere.'
                : 'What happens at moments. Click twice to set a trigger, or press T while it plays.'
      }}
    </p>
    <fieldset class="bare fields" :disabled="!session.mayBuild || track.locked">
      <v-text-field v-model="draft.name" label="Name" class="wide" :maxlength="60" required />
      <PointField v-if="track.does.kind === 'levels'" v-model="draft.point" label="It moves" class="wide" />
      <SoundFields v-if="track.does.kind === 'sound'" :track="track" />
      <v-text-field
        v-if="track.does.kind === 'sound'"
        v-model.number="draft.at"
        type="number"
        step="any"
        min="0"
        label="Begins at"
        class="wide"
      />
      <template v-if="track.does.kind === 'notes'">
        <v-select v-model="draft.port" :items="senders" item-title="name" item-value="id" label="To port" class="wide" />
        <v-text-field v-model.number="draft.channel" type="number" min="1" max="16" label="Channel, 1 to 16" class="wide" />
      </template>
      <v-text-field
        v-model.number="draft.early"
        type="number"
        step="any"
        min="-60"
        max="60"
        :label="`All of it comes so much earlier (${editing.unit.value === 'beats' ? 'beats' : 's'})`"
        class="wide"
      />
      <v-text-field v-model="draft.colour" label="Colour; empty for the usual one" placeholder="#1f6f5c" class="wide" />
    </fieldset>
    <p v-if="track.locked" class="small quiet">It is locked.</p>
    <div v-else-if="session.mayBuild && track.does.kind === 'levels'" class="thin small">
      <button type="button" class="small-button" @click="thin">Fewer points</button>
      <label
        >off by at most
        <input v-model.number="tolerance" type="number" min="0" max="50" step="0.1" class="inline-field" /> %</label
      >
    </div>
    <p v-if="told" class="small" role="status">{{ told }}</p>
    <div v-if="session.mayBuild && !track.locked" class="actions">
      <v-btn type="submit" variant="flat" color="primary">Save</v-btn>
      <v-btn color="error" @click="remove">Delete track</v-btn>
    </div>
  </form>
</template>

<style scoped>
.thin {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 12px;
}
.thin input {
  width: 68px;
}
.fields {
  margin: 12px 0;
}
</style>
