import { defineAsyncComponent, shallowRef, type AsyncComponentLoader, type Component } from 'vue'

/** What fetches the part of the application that is missing again; null while nothing is. */
export const missingPart = shallowRef<(() => void) | null>(null)

/** Whether an error is that of a part that could not be fetched: no signal, or a newer build on the server. */
export function isMissingPart(error: unknown): boolean {
  return /dynamically imported module|module script failed|preload CSS/i.test((error as Error | undefined)?.message ?? '')
}

/** A part of a page that is fetched when it is needed; when it cannot be, the page says so and offers to try again. */
export function lazyPart(loader: AsyncComponentLoader): Component {
  return defineAsyncComponent({
    loader,
    onError: (error, retry, fail) => {
      if (!isMissingPart(error)) return fail()
      missingPart.value = () => {
        missingPart.value = null
        retry()
      }
    },
  })
}
