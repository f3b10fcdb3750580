import type { Ref } from 'vue'
import type { Problem } from '@/api/client'

/**
 * The two answers to a conflict, where somebody else has changed a thing meanwhile.
 *
 * @param problem what the server refused, with the thing as it is now
 * @param keep sends what is in the form again, as a change of that version
 * @param take puts the thing as it is now into the form
 */
export function useConflict<T extends { version: number }>(
  problem: Ref<Problem | null>,
  keep: (version: number) => void,
  take: (current: T) => void,
) {
  function keepMine() {
    keep((problem.value?.current as T).version)
  }

  function takeTheirs() {
    take(problem.value?.current as T)
    problem.value = null
  }

  return { keepMine, takeTheirs }
}
