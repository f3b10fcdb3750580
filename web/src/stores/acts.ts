import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { acted, answer, client, Problem, type Answer, type Schemas } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import { useShelf } from './shelf'

export type Act = Schemas['ActView']

/** What was just done. */
interface Done {
  text: string
  remark: string | null
  /** By which it is undone; null where there is nothing to undo. */
  act: number | null
}

/** What was recorded, with the data of the answer. */
export interface Recorded<T> extends Done {
  data: T
}

const SHOWN_MS = 9_000
const MOST_LINES = 2

interface WeighingDetails {
  at?: Date
  fromScale?: boolean
  scaleStepG?: number
  nothingUsed?: boolean
}

/** An act in a sentence. */
export function sentence(act: Act): string {
  const lines = act.lines.map((line) => inShownUnits(`${line.subject}: ${line.what}`))
  const more = lines.length - MOST_LINES
  return lines.slice(0, MOST_LINES).join('; ') + (more > 0 ? `; and ${more} more` : '')
}

/** What was done here: every act is recorded at once, said in words, and can be undone. */
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

  /** Waits for an act and says what the record says of it; shows nothing. */
  async function recorded<T>(request: Promise<Answer<T>>, otherwise = ''): Promise<Recorded<T>> {
    const { data, act } = await acted(request)
    const [text] = await Promise.all([act === null ? otherwise : said(act, otherwise), changed()])
    const remark = (data as { remark?: string | null } | undefined)?.remark ?? null
    return { data, act, text, remark }
  }

  /**
   * Waits for an act, says it, and keeps the way back. What it says comes from the record;
   * `otherwise` is said of an act that left nothing there.
   */
  async function record<T>(request: Promise<Answer<T>>, otherwise = ''): Promise<T> {
    // The way back that is still shown belongs to another act.
    show(null, null)
    const { data, act, text, remark } = await recorded(request, otherwise)
    if (text) {
      show({ text, remark, act }, null)
    }
    return data
  }

  async function said(act: number, otherwise: string): Promise<string> {
    try {
      return sentence(await answer(client.GET('/api/acts/{id}', { params: { path: { id: act } } })))
    } catch {
      // It is done all the same.
      return otherwise
    }
  }

  async function undo(act: number) {
    const undone = await answer(
      client.POST('/api/acts/{id}/undo', { params: { path: { id: act } } }),
    )
    await changed()
    show({ text: `Undone: ${sentence(undone)}`, remark: null, act: null }, null)
  }

  async function redo(act: number) {
    const again = await answer(
      client.POST('/api/acts/{id}/redo', { params: { path: { id: act } } }),
    )
    await changed()
    show({ text: `Done again: ${sentence(again)}`, remark: null, act }, null)
  }

  /** A move; `entry` says what it does in a dryer. */
  async function move(
    code: string,
    placeId: number,
    at?: Date,
    until?: Date,
    entry?: 'JOIN' | 'COLD',
  ) {
    await record(
      client.POST('/api/spools/{code}/moves', {
        params: { path: { code } },
        body: { placeId, at: at?.toISOString(), until: until?.toISOString(), entry },
      }),
    )
  }

  /** Several spools to one place: all of them or none. */
  async function moveAll(codes: string[], placeId: number, entry?: 'JOIN' | 'COLD') {
    await record(client.POST('/api/moves', { body: { codes, placeId, entry } }))
  }

  async function openAll(codes: string[]) {
    await record(client.POST('/api/openings', { body: { codes } }))
  }

  /** A weighing; `nothingUsed` where what changed since the one before is water. */
  async function weigh(code: string, grossMassG: number, more: WeighingDetails = {}) {
    await record(
      client.POST('/api/spools/{code}/weighings', {
        params: { path: { code } },
        body: { grossMassG, ...more, at: more.at?.toISOString() },
      }),
    )
  }

  async function open(code: string) {
    await record(
      client.POST('/api/spools/{code}/openings', { params: { path: { code } }, body: {} }),
    )
  }

  function fail(cause: unknown) {
    show(null, Problem.of(cause))
  }

  return {
    done,
    problem,
    changes,
    record,
    recorded,
    undo,
    redo,
    move,
    moveAll,
    weigh,
    open,
    openAll,
    changed,
    show,
    fail,
  }
})
