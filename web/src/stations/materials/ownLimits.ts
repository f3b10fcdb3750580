import { ref, shallowRef, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { questions } from '@/parts/latestAnswer'
import { useActs } from '@/stores/acts'

export type OwnLimit = Schemas['LimitView']

/** Limits of this workshop's own, read again with every act. */
export function useOwnLimits() {
  const acts = useActs()
  const all = shallowRef<OwnLimit[]>([])
  const problem = ref<Problem | null>(null)
  const question = questions()

  async function read() {
    const isLast = question()
    try {
      const found = await answer(client.GET('/api/own-limits'))
      if (isLast()) {
        all.value = found
        problem.value = null
      }
    } catch (cause) {
      if (isLast()) {
        problem.value = Problem.of(cause)
      }
    }
  }
  watch(() => acts.changes, read, { immediate: true })

  /** The one of a material, or of one lot of it; null where the table's figures hold. */
  function of(material: string, lotId: number | null): OwnLimit | null {
    return all.value.find((each) => each.material === material && each.lotId === lotId) ?? null
  }

  return { of, problem }
}
