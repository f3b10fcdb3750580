import type { Schemas } from '@/api/client'
import { hours, temperature } from '@/parts/format'

type PrintReady = Schemas['PrintReadyView']

/** Up to the next half hour: nobody sets a timer finer. */
function timer(exact: number): string {
  return hours(Math.ceil(exact * 2) / 2)
}

/** What matters first: after how many hours the next job prints. */
export function printsAfter(ready: PrintReady | null, setpointC: number): string {
  // A dial has whole degrees; a limit is never rounded up.
  const at = temperature(Math.floor(setpointC + 1e-6))
  if (ready === null || ready.likelyHours === null) {
    return `Never dry enough to print at ${at}`
  }
  if (ready.likelyHours === 0 && ready.sureHours === 0) {
    return 'Prints as it is'
  }
  if (ready.sureHours === null) {
    return `Prints probably after ${timer(ready.likelyHours)} at ${at}`
  }
  return `Prints after ${timer(ready.sureHours)} at ${at}`
}

/** The same with its likelihood and what it is held against. */
export function jobNote(ready: PrintReady, jobG: number): string {
  const what = `The ${jobG} g of the next job are below ${ready.goalPercent.toFixed(2)} %, the print limit less what is taken up while waiting and printing,`
  if (ready.likelyHours === null) {
    return `${what} never in this air.`
  }
  if (ready.likelyHours === 0 && ready.sureHours === 0) {
    return `${what} already.`
  }
  return ready.sureHours === null
    ? `${what} probably after ${timer(ready.likelyHours)}; so much is not known well enough to be sure.`
    : `${what} probably after ${timer(ready.likelyHours)}, surely (nine times in ten) after ${timer(ready.sureHours)}.`
}

/** Of several, the one that comes last; never where one never does. */
export function lastReady(all: PrintReady[]): PrintReady | null {
  const latest = (values: (number | null)[]) =>
    values.some((value) => value === null) ? null : Math.max(...(values as number[]))
  return all.length === 0
    ? null
    : {
        goalPercent: 0,
        likelyHours: latest(all.map((each) => each.likelyHours)),
        sureHours: latest(all.map((each) => each.sureHours)),
      }
}
