import type { Schemas } from '@/api/client'

export type Procedure = Schemas['ProcedureView']
export type ProcedureStep = Schemas['ProcedureStepView']
type StopAnswer = Schemas['StopAnswerView']

/** Where somebody is in a procedure; kept on this device, so that a reload goes on from there. */
export interface Walk {
  /** Number of the step, from 1; 0 once the work has ended at a stop point. */
  at: number
  /** Answers given, by the number of their step; the last one where a step came twice. */
  answers: Record<number, string>
  /** What the measured steps gave, by field. */
  values: Record<string, number | null>
  /** When the timer of the step was started, ms since 1970. */
  timerMs: number | null
  /** What the last answer means. */
  words: string
  /** The latest outcome of the procedure's test. */
  outcome: string | null
}

export function begun(): Walk {
  return { at: 1, answers: {}, values: {}, timerMs: null, words: '', outcome: null }
}

/** The next step. */
export function onward(walk: Walk): Walk {
  return { ...walk, at: walk.at + 1, timerMs: null, words: '' }
}

/** As an answer at a stop point has it. */
export function answered(walk: Walk, answer: StopAnswer): Walk {
  return {
    ...walk,
    at: answer.goesTo,
    answers: { ...walk.answers, [walk.at]: answer.label },
    timerMs: null,
    words: answer.words,
    outcome: answer.outcome ?? walk.outcome,
  }
}

/** Whether all is done, or ended at a stop point. */
export function isOver(walk: Walk, procedure: Procedure): boolean {
  return walk.at < 1 || walk.at > procedure.steps.length
}

/** Seconds that a timer still runs; the whole time where it was not started. */
export function leftS(step: ProcedureStep, timerMs: number | null, nowMs: number): number {
  const all = step.seconds ?? 0
  return timerMs === null ? all : Math.max(0, all - (nowMs - timerMs) / 1000)
}

/** Minutes and seconds. */
export function clock(seconds: number): string {
  const whole = Math.ceil(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

const KEY = 'walk-'

/** Where somebody was on this device; none where nothing is kept or it is of another time. */
export function kept(name: string): Walk | null {
  try {
    const text = localStorage.getItem(KEY + name)
    const walk = text === null ? null : (JSON.parse(text) as Walk)
    return walk !== null && typeof walk.at === 'number' ? { ...begun(), ...walk } : null
  } catch {
    return null
  }
}

export function keep(name: string, walk: Walk | null) {
  try {
    if (walk === null) {
      localStorage.removeItem(KEY + name)
    } else {
      localStorage.setItem(KEY + name, JSON.stringify(walk))
    }
  } catch {
    // A browser that keeps nothing begins anew after a reload.
  }
}
