import { ref } from 'vue'

/** The title of the form that something was typed into and that is not saved; '' for none. */
export const halfFilled = ref('')

/** Somebody is about to leave it: the answer is called with whether they do. */
export const leaving = ref<((leave: boolean) => void) | null>(null)

/** Whether what is open may be left: at once where nothing is half filled, else whoever is there is asked. */
export function mayLeave(): Promise<boolean> {
  if (halfFilled.value === '') return Promise.resolve(true)
  // Whoever asks again while the question stands has changed their mind about where to.
  leaving.value?.(false)
  return new Promise((resolve) => {
    leaving.value = (leave) => {
      leaving.value = null
      if (leave) halfFilled.value = ''
      resolve(leave)
    }
  })
}

/** Does what would drop a form, when nothing is lost by it or that is wanted. */
export async function onceLeft(what: () => void): Promise<void> {
  if (await mayLeave()) what()
}

/** A page that is closed or loaded anew asks in the browser's own words. */
globalThis.addEventListener?.('beforeunload', (event) => {
  if (halfFilled.value !== '') event.preventDefault()
})
