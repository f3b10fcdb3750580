import { computed, ref, shallowRef } from 'vue'
import { client, Problem, type Answer } from '@/api/client'
import type { Scan } from '@/parts/scanner'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import { entered } from './entry'

/** What a round does with each spool. */
export type RoundKind = 'WEIGH' | 'MOVE' | 'OPEN'

/** What was done to one spool, or why it was not. */
export interface Step {
  id: number
  atS: number
  subject: string
  text: string
  /** By which it is undone; null where nothing was recorded. */
  act: number | null
  worked: boolean
  undone: boolean
  /** What was entered and not understood or not taken, to be mended; null where nothing is. */
  mend: string | null
}

/** A dryer that was scanned and asks what the spools do there. */
export interface DryerQuestion {
  placeId: number
  codes: string[]
}

const MASS = /^\d+([.,]\d+)?$/

/**
 * A walk from spool to spool, each step recorded at once, in the order in which it was scanned or
 * typed.
 *
 * @param told is called after each step: whether it worked
 */
export function useRound(told: (worked: boolean) => void) {
  const acts = useActs()
  const shelf = useShelf()
  const kind = ref<RoundKind>('WEIGH')
  /** Codes of the spools that were scanned and not yet put anywhere, the latest last. */
  const hand = ref<string[]>([])
  const steps = ref<Step[]>([])
  const question = shallowRef<DryerQuestion | null>(null)
  /** Mass that the scale rests at and that belongs to no spool yet. */
  const resting = shallowRef<{ massG: number; stepG: number } | null>(null)
  /** Whether the spool in the hand was weighed since it was scanned. */
  const weighed = ref(false)
  let queue: Promise<void> = Promise.resolve()
  let count = 0

  const current = computed(() => hand.value.at(-1) ?? null)

  /** One after the other: a scanner is faster than an answer. */
  function inTurn(work: () => Promise<void>) {
    queue = queue.then(work)
    return queue
  }

  function note(
    subject: string,
    text: string,
    act: number | null,
    worked: boolean,
    mend: string | null = null,
  ) {
    const atS = Date.now() / 1000
    const step = { id: ++count, atS, subject, text, act, worked, undone: false, mend }
    steps.value = [step, ...steps.value]
    told(worked)
  }

  async function record<T>(
    subject: string,
    request: Promise<Answer<T>>,
    mend: string | null = null,
  ): Promise<boolean> {
    try {
      const { text, act, remark } = await acts.recorded(request)
      note(subject, remark ? `${text}. ${remark}` : text, act, true)
      return true
    } catch (cause) {
      const { detail, errors } = Problem.of(cause)
      const [error] = errors
      note(
        subject,
        error ? `${error.value} is not accepted; ${error.allowed}. ${error.advice}` : detail,
        null,
        false,
        mend,
      )
      return false
    }
  }

  function scan(found: Scan) {
    return inTurn(() => ('code' in found ? spool(found.code) : place(found.placeId)))
  }

  async function spool(code: string) {
    const known = shelf.spools.find((each) => each.code === code)
    if (!known) {
      note(code, 'no spool in stock has this code', null, false)
      return
    }
    question.value = null
    hand.value = [
      ...(kind.value === 'MOVE' ? hand.value.filter((each) => each !== code) : []),
      code,
    ]
    weighed.value = false
    if (kind.value === 'OPEN') {
      await open(code, known.sealed)
    } else if (kind.value === 'WEIGH' && resting.value) {
      const { massG, stepG } = resting.value
      resting.value = null
      await weigh(code, massG, stepG)
    } else {
      told(true)
    }
  }

  async function open(code: string, sealed: boolean) {
    if (sealed) {
      await record(
        code,
        client.POST('/api/spools/{code}/openings', { params: { path: { code } }, body: {} }),
      )
    } else {
      note(code, 'its bag was open already', null, false)
    }
    hand.value = []
  }

  async function weigh(code: string, grossMassG: number, scaleStepG?: number) {
    const worked = await record(
      code,
      client.POST('/api/spools/{code}/weighings', {
        params: { path: { code } },
        body: { grossMassG, fromScale: scaleStepG !== undefined, scaleStepG },
      }),
      scaleStepG === undefined ? String(grossMassG) : null,
    )
    weighed.value ||= worked
  }

  /** The scale has come to rest: its mass is of the spool in the hand, or of the next one. */
  function rests(massG: number, stepG: number) {
    return inTurn(async () => {
      if (kind.value !== 'WEIGH') {
        return
      }
      if (current.value !== null && !weighed.value) {
        await weigh(current.value, massG, stepG)
      } else {
        resting.value = { massG, stepG }
      }
    })
  }

  /** The scale was unloaded, so what it showed is of no spool any more. */
  function left() {
    resting.value = null
  }

  async function place(placeId: number) {
    const target = shelf.places.find((each) => each.place.id === placeId)
    const codes = [...hand.value]
    if (!target) {
      note('place', 'no place here has this label', null, false)
    } else if (codes.length === 0) {
      note(target.place.name, 'scan a spool first, then where it goes', null, false)
    } else if (target.place.kind === 'DRYER') {
      question.value = { placeId, codes }
      told(true)
    } else {
      await put(codes, placeId)
    }
  }

  async function put(codes: string[], placeId: number, entry?: 'JOIN' | 'COLD') {
    const worked = await record(
      codes.join(', '),
      client.POST('/api/moves', { body: { codes, placeId, entry } }),
    )
    if (worked) {
      hand.value = []
      question.value = null
    }
  }

  /** What a dryer asked: whether the spools join its cycle or only lie there. */
  function answerDryer(entry: 'JOIN' | 'COLD') {
    const asked = question.value
    return inTurn(async () => {
      if (asked) {
        await put(asked.codes, asked.placeId, entry)
      }
    })
  }

  /** What was entered: labels' addresses, masses, codes and places' names, as they come. */
  function typed(text: string) {
    for (const part of entered(text)) {
      void ('words' in part ? said(part.words) : scan(part))
    }
    return queue
  }

  function said(words: string) {
    if (MASS.test(words) && kind.value === 'WEIGH') {
      return inTurn(async () => {
        if (current.value === null) {
          note(words, 'scan a spool first, then its mass', null, false, words)
        } else {
          await weigh(current.value, Number(words.replace(',', '.')))
        }
      })
    }
    const code = words.toUpperCase()
    if (shelf.spools.some((each) => each.code === code)) {
      return scan({ code })
    }
    const named = shelf.places.filter((each) =>
      each.place.name.toLowerCase().startsWith(words.toLowerCase()),
    )
    const exact = named.find((each) => each.place.name.toLowerCase() === words.toLowerCase())
    const only = exact ?? (named.length === 1 ? named[0] : undefined)
    if (only) {
      return scan({ placeId: only.place.id })
    }
    const why = named.length
      ? `several places begin so: ${named.map((each) => each.place.name).join(', ')}`
      : 'no spool, place or mass'
    return inTurn(() => {
      note(words, why, null, false, words)
      return Promise.resolve()
    })
  }

  /** Takes what is to be mended off the list, for the field. */
  function mended(step: Step): string {
    const text = step.mend ?? ''
    steps.value = steps.value.filter((each) => each.id !== step.id)
    return text
  }

  function drop(code: string) {
    hand.value = hand.value.filter((each) => each !== code)
    question.value = null
  }

  function start(next: RoundKind) {
    kind.value = next
    hand.value = []
    question.value = null
  }

  async function undo(step: Step) {
    if (step.act === null) {
      return
    }
    try {
      await (step.undone ? acts.redo(step.act) : acts.undo(step.act))
      steps.value = steps.value.map((each) =>
        each.act === step.act ? { ...each, undone: !step.undone } : each,
      )
    } catch (cause) {
      acts.fail(cause)
    }
  }

  return {
    kind,
    hand,
    steps,
    question,
    resting,
    current,
    weighed,
    scan,
    typed,
    rests,
    left,
    answerDryer,
    drop,
    mended,
    start,
    undo,
  }
}
