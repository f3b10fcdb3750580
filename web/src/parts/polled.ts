import { onScopeDispose, shallowRef, watch, type WatchSource } from 'vue'
import { Problem } from '@/api/client'
import { questions } from './latestAnswer'

/**
 * What the server says, asked anew when something changed and again after a while, for as long as
 * the page is there. Only the answer to the last question counts; one that comes after the page was
 * left changes nothing and asks nothing more.
 *
 * @param changes asks at once when one of these does
 * @param waitMs how long until it is asked again, by what is known; null for not before a change
 */
export function usePolled<T>(
  changes: WatchSource<unknown>[],
  ask: () => Promise<T>,
  waitMs: (view: T | null) => number | null,
) {
  const view = shallowRef<T | null>(null)
  const problem = shallowRef<Problem | null>(null)
  const question = questions()
  let timer: ReturnType<typeof setTimeout> | undefined
  let gone = false

  async function read() {
    const isLast = question()
    clearTimeout(timer)
    try {
      const fresh = await ask()
      if (gone || !isLast()) {
        return
      }
      view.value = fresh
      problem.value = null
    } catch (cause) {
      if (gone || !isLast()) {
        return
      }
      problem.value = Problem.of(cause)
    }
    const wait = waitMs(view.value)
    if (wait !== null) {
      timer = setTimeout(read, wait)
    }
  }

  watch(changes, read, { immediate: true })
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
  })

  return { view, problem, read }
}
