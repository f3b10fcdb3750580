import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { held, takenOutNow } from '@/stations/dry/takenOut'

const DONE: Schemas['Advice'] = {
  code: '4XHJ',
  hoursLeft: null,
  outerPercent: 0.05,
  corePercent: 0.12,
  printLimitPercent: 0.2,
  room: 'Workshop',
  bagWithinHours: 2,
  printableHours: 30,
  homes: [],
}

describe('what taking a spool out leaves', () => {
  it('says nothing once its time is over and it prints', () => {
    expect(takenOutNow(DONE)).toBe('')
    expect(takenOutNow({ ...DONE, hoursLeft: 0.2 })).toBe('')
  })

  it('says how early it is and that it prints all the same', () => {
    expect(takenOutNow({ ...DONE, hoursLeft: 3 })).toBe(
      '3 h before its time. It prints all the same; it would stay so for longer.',
    )
  })

  it('names what is wet still, and where the limit is', () => {
    expect(takenOutNow({ ...DONE, hoursLeft: 3, corePercent: 0.3 })).toBe(
      '3 h before its time. Its outer wraps print, its core does not yet: 0.300 %; the print limit is 0.200 %. Print it at once, then dry it again.',
    )
    expect(takenOutNow({ ...DONE, outerPercent: 0.25, corePercent: 0.3 })).toBe(
      'It does not print yet: outer wraps 0.250 %, core 0.300 %; the print limit is 0.200 %.',
    )
  })

  it('says how long a place holds it', () => {
    expect(held(null)).toBe('two weeks and more')
    expect(held(0)).toBe('no time: too wet')
    expect(held(0.01)).toBe('3 min')
  })
})
