import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { answer, client, Problem } from '@/api/client'
import { useShelf } from './shelf'

/** What was just done, with the way back. */
interface Done {
  text: string
  remark: string | null
  undo: (() => Promise<void>) | null
}

/** What an act was done to. */
type Subject = 'spool' | 'container'

const SHOWN_MS = 9_000

interface WeighingDetails {
  at?: Date
  fromScale?: boolean
  scaleStepG?: number
  nothingUsed?: boolean
}

/** Acts on spools: each is recorded at once and can be undone. */
export const useActs = defineStore('acts', () => {
  const done = shallowRef<Done | null>(null)
  const problem = shallowRef<Problem | null>(null)
  /** Rises with every act, so that open pages read again. */
  const changes = ref(0)
  let timer: ReturnType<typeof setTimeout> | undefined

  function show(next: Done | null, failed: Problem | null) {
    clearTimeout(timer)
    done.value = next
    problem.value = failed
    if (next && !next.remark) {
      timer = setTimeout(() => (done.value = null), SHOWN_MS)
    }
  }

  async function changed() {
    changes.value++
    await useShelf().read()
  }

  async function setUndone(factId: number, undone: boolean, of: Subject = 'spool') {
    const params = { params: { path: { id: factId } } }
    await answer(
      of === 'container'
        ? undone
          ? client.POST('/api/container-facts/{id}/undo', params)
          : client.POST('/api/container-facts/{id}/redo', params)
        : undone
          ? client.POST('/api/facts/{id}/undo', params)
          : client.POST('/api/facts/{id}/redo', params),
    )
    await changed()
  }

  /** Waits for an act, shows it, and keeps the way back. */
  async function record(
    text: string,
    request: Promise<{ factId: number; remark?: string | null }>,
    of: Subject = 'spool',
  ) {
    const { factId, remark } = await request
    await changed()
    show(
      {
        text,
        remark: remark ?? null,
        undo: async () => {
          await setUndone(factId, true, of)
          show({ text: `Undone: ${text}`, remark: null, undo: null }, null)
        },
      },
      null,
    )
  }

  async function move(code: string, placeId: number, placeName: string, at?: Date, until?: Date) {
    await record(
      `${code} moved to ${placeName}`,
      answer(
        client.POST('/api/spools/{code}/moves', {
          params: { path: { code } },
          body: { placeId, at: at?.toISOString(), until: until?.toISOString() },
        }),
      ),
    )
  }

  /** A weighing; `nothingUsed` where what changed since the one before is water. */
  async function weigh(code: string, grossMassG: number, more: WeighingDetails = {}) {
    await record(
      `${code} weighed, ${grossMassG} g`,
      answer(
        client.POST('/api/spools/{code}/weighings', {
          params: { path: { code } },
          body: { grossMassG, ...more, at: more.at?.toISOString() },
        }),
      ),
    )
  }

  async function open(code: string) {
    await record(
      `${code} opened`,
      answer(client.POST('/api/spools/{code}/openings', { params: { path: { code } }, body: {} })),
    )
  }

  function fail(cause: unknown) {
    show(null, Problem.of(cause))
  }

  return { done, problem, changes, record, move, weigh, open, setUndone, changed, show, fail }
})
