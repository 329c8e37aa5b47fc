import { ref, watch } from 'vue'

/** The title of the form that something was typed into and that is not saved; '' for none. */
export const halfFilled = ref('')

/** Whether what is half filled is on its way to the server: nobody is asked before the answer is there. */
export const storing = ref(false)

/** What became of the question: they leave, they stay, or there is nothing left to ask, because it has been stored meanwhile. */
export type Answer = 'leave' | 'stay' | 'stored'

/** Somebody is about to leave it: called with what they answer. */
export const leaving = ref<((answer: Answer) => void) | null>(null)

/** Whether what is open may be left: at once where nothing is half filled, else whoever is there is asked. */
export function mayLeave(): Promise<Answer> {
  if (halfFilled.value === '') return Promise.resolve('leave')
  // Whoever asks again while the question stands has changed their mind about where to.
  leaving.value?.('stay')
  return new Promise((resolve) => {
    leaving.value = (answer) => {
      leaving.value = null
      if (answer === 'leave') halfFilled.value = ''
      resolve(answer)
    }
  })
}
watch(
  halfFilled,
  (title) => {
    if (title === '') leaving.value?.('stored')
  },
  { flush: 'sync' },
)

/** Does what would drop a form, when nothing is lost by it or that is wanted. */
export async function onceLeft(what: () => void): Promise<void> {
  if ((await mayLeave()) !== 'stay') what()
}

/** A page that is closed or loaded anew asks in the browser's own words. */
globalThis.addEventListener?.('beforeunload', (event) => {
  if (halfFilled.value !== '') event.preventDefault()
})
