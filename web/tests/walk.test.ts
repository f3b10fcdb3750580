import { beforeEach, describe, expect, it } from 'vitest'
import {
  answered,
  begun,
  clock,
  isOver,
  keep,
  kept,
  leftS,
  onward,
  type Procedure,
  type ProcedureStep,
} from '@/stations/trouble/walk'

const WAIT: ProcedureStep = { kind: 'WAIT', words: 'Wait.', seconds: 90, value: null, answers: [] }
const ASK: ProcedureStep = {
  kind: 'ASK',
  words: 'What does it look like?',
  seconds: null,
  value: null,
  answers: [
    { label: 'Grains', outcome: 'debris', goesTo: 1, words: 'Again.' },
    { label: 'Clean', outcome: 'clean', goesTo: 3, words: '' },
    { label: 'It tore off', outcome: null, goesTo: 0, words: 'Stop pulling.' },
  ],
}
const PULL: Procedure = {
  id: 'cold_pull',
  title: 'Cold pull',
  minutes: 12,
  needs: [],
  caution: '',
  defers: '',
  causes: [],
  testId: null,
  reading: null,
  steps: [WAIT, ASK],
}

describe('a walk through a procedure', () => {
  beforeEach(() => localStorage.clear())

  it('goes back where an answer says so, and keeps the last outcome', () => {
    const atAsk = onward(begun())
    const again = answered(atAsk, ASK.answers[0]!)
    expect(again).toMatchObject({ at: 1, outcome: 'debris', words: 'Again.', timerMs: null })
    const clean = answered(onward(again), ASK.answers[1]!)
    expect(clean).toMatchObject({ at: 3, outcome: 'clean', answers: { 2: 'Clean' } })
    expect(isOver(clean, PULL)).toBe(true)
  })

  it('ends at a stop point, and an answer without an outcome leaves the last one', () => {
    const stopped = answered({ ...onward(begun()), outcome: 'debris' }, ASK.answers[2]!)
    expect(stopped).toMatchObject({ at: 0, outcome: 'debris', words: 'Stop pulling.' })
    expect(isOver(stopped, PULL)).toBe(true)
    expect(isOver(begun(), PULL)).toBe(false)
  })

  it('has timers that run on while the page is away', () => {
    expect(leftS(WAIT, null, 5_000)).toBe(90)
    expect(leftS(WAIT, 1_000, 31_000)).toBe(60)
    expect(leftS(WAIT, 1_000, 900_000)).toBe(0)
    expect(clock(89.2)).toBe('1:30')
    expect(clock(0)).toBe('0:00')
  })

  it('is kept on the device, each case by itself, and forgotten when asked', () => {
    keep('cold_pull-7', onward(begun()))
    expect(kept('cold_pull-7')?.at).toBe(2)
    expect(kept('cold_pull')).toBeNull()
    keep('cold_pull-7', null)
    expect(kept('cold_pull-7')).toBeNull()
  })

  it('begins anew where what is kept cannot be read', () => {
    localStorage.setItem('walk-x', '{"at": "soon"')
    expect(kept('x')).toBeNull()
    localStorage.setItem('walk-x', '{"at": "soon"}')
    expect(kept('x')).toBeNull()
  })
})
