import { onScopeDispose, ref, shallowRef, watch, type Ref, type WatchSource } from 'vue'
import { Problem } from '@/api/client'

/**
 * Begins a question and returns whether it is still the last one: answers may overtake one another,
 * and only the one to the last question counts.
 */
export function questions(): () => () => boolean {
  let last = 0
  return () => {
    const mine = ++last
    return () => mine === last
  }
}

/**
 * What the server says to what is on screen: asked anew a moment after anything changed. Only the
 * answer to the last question counts, and the one before stays shown until it is there. Nothing is
 * asked before `ready`.
 */
export function useLatestAnswer<T>(
  changes: WatchSource<unknown>[],
  ask: () => Promise<T>,
  pauseMs: number,
  ready: Ref<boolean> = ref(true),
) {
  const view = shallowRef<T | null>(null)
  const problem = shallowRef<Problem | null>(null)
  const busy = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Whether something changed that was not asked about yet. */
  let due = false
  const question = questions()

  async function read() {
    const isLast = question()
    due = false
    try {
      const fresh = await ask()
      if (isLast()) {
        view.value = fresh
        problem.value = null
      }
    } catch (cause) {
      if (isLast()) {
        problem.value = Problem.of(cause)
      }
    }
    if (isLast()) {
      // Who moves on while an answer comes is still owed one.
      busy.value = due
    }
  }

  watch(
    [...changes, ready],
    () => {
      clearTimeout(timer)
      due = ready.value
      // From now on what is shown answers another question.
      busy.value = due
      if (!due) {
        return
      }
      timer = setTimeout(read, pauseMs)
    },
    { immediate: true, deep: true },
  )
  onScopeDispose(() => clearTimeout(timer))

  return { view, problem, busy }
}
