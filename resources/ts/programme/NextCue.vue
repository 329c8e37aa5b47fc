<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '@/api/session'
import type { CueList } from '@/api/show'
import { useEngine } from '@/live/engine'
import type { ListLife } from '@/live/messages'
import { leftOf } from './live'
import { followWords } from './sentences'

/** What a list does next: by Go, or by itself in so many seconds. */
const props = defineProps<{ list: CueList; life?: ListLife; now: number }>()
const engine = useEngine()
const session = useSession()
const number = computed(() => props.life?.next ?? props.list.cues?.[0]?.number ?? '')
const cue = computed(() => (props.list.cues ?? []).find((one) => one.number === number.value))
const left = computed(() => leftOf(props.life?.follows ?? null, props.now))
const says = computed(() =>
  props.life?.isLoaded ? 'loaded by hand' : left.value ? `by itself in ${left.value}` : cue.value ? followWords(cue.value) : '',
)
const go = () => void engine.pressPoint(`list:${props.list.id}/go`)
</script>

<template>
  <div class="around">
    <div class="next">
      <button
        type="button"
        class="go"
        :disabled="!session.mayOperate || !cue"
        :aria-label="`${list.name}: go ${number}`"
        @click="go"
      >
        Go <span class="figures">{{ number }}</span>
      </button>
      <span class="what"
        ><strong>{{ cue ? cue.name || `Cue ${number}` : 'no cue follows' }}</strong
        ><span class="quiet small"
          >{{ list.name }}<template v-if="cue?.note">: {{ cue.note }}</template></span
        ></span
      >
      <span class="figures small">{{ says }}</span>
    </div>
  </div>
</template>

<style scoped>
.around {
  container-type: inline-size;
}
.next {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: center;
  margin-bottom: 6px;
  padding-right: 8px;
  border: 1px solid var(--rule);
}
.go {
  min-height: 56px;
  border: 0;
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
  font: inherit;
  font-size: 18px;
  font-weight: 700;
  cursor: pointer;
}
.go:disabled {
  opacity: 0.4;
  cursor: default;
}
.what {
  display: flex;
  flex-direction: column;
}
.what > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
@container (max-width: 480px) {
  .next {
    grid-template: minmax(0, 1fr) auto / 104px minmax(0, 1fr);
  }
  .next > .small {
    grid-column: 2;
  }
  .next > .small:empty {
    display: none;
  }
  .go {
    grid-row: 1 / 3;
  }
}
</style>
