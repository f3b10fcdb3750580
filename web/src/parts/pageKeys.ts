import { onBeforeUnmount, onMounted } from 'vue'

type Action = () => void

const known = new Map<string, Action>()

/** Lets keys act on what the page shows, as long as it is shown. */
export function usePageKeys(keys: Record<string, Action>) {
  onMounted(() => Object.entries(keys).forEach(([key, action]) => known.set(key, action)))
  onBeforeUnmount(() =>
    Object.entries(keys).forEach(([key, action]) => {
      if (known.get(key) === action) {
        known.delete(key)
      }
    }),
  )
}

/** What a key does on the page that is shown; nothing on most. */
export function pageAction(key: string): Action | undefined {
  return known.get(key)
}
