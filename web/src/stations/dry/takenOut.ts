import type { Schemas } from '@/api/client'
import { hours, moisture, moment } from '@/parts/format'

type Advice = Schemas['Advice']

/** So long before its end a cycle is as good as over, h. */
const NEARLY_OVER_H = 0.5

/** What taking a spool out now leaves, in words; nothing where it prints and its time is over. */
export function takenOutNow(advice: Advice): string {
  const {
    nowS,
    surePrintsS,
    hoursLeft,
    outerPercent,
    corePercent,
    printLimitPercent: limit,
  } = advice
  const early =
    hoursLeft !== null && hoursLeft > NEARLY_OVER_H ? `${hours(hoursLeft)} before its time. ` : ''
  if (outerPercent > limit) {
    return `${early}It does not print yet: outer wraps ${moisture(outerPercent)}, core ${moisture(corePercent)}; the print limit is ${moisture(limit)}.`
  }
  if (corePercent > limit) {
    return `${early}Its outer wraps print, its core does not yet: ${moisture(corePercent)}; the print limit is ${moisture(limit)}. Print it at once, then dry it again.`
  }
  if (surePrintsS !== null && surePrintsS > nowS) {
    return `${early}It may print already, surely only from ${moment(surePrintsS, nowS)}: outer wraps ${moisture(outerPercent)}, core ${moisture(corePercent)}; the print limit is ${moisture(limit)}.`
  }
  return early && `${early}It prints all the same; it would stay so for longer.`
}

/** How long a place keeps it, in words: dry, or else good enough to print. */
export function kept(home: Schemas['Home']): string {
  return home.goodHours !== 0
    ? `dry for ${held(home.goodHours)}`
    : home.printableHours !== 0
      ? `prints for ${held(home.printableHours)}`
      : 'too wet to print'
}

/** How long a place holds it, in words. */
export function held(value: number | null): string {
  return value === null
    ? 'two weeks and more'
    : value === 0
      ? 'no time: too wet'
      : hours(Math.max(0.05, value))
}
