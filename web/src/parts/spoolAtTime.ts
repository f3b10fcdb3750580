import { moment } from './format'
import { framePosition, ringsAt, valueAt } from './frames'
import type { Face } from './spoolFace'
import type { Spool } from '@/stores/shelf'

/** A spool's moisture at the time shown. */
export interface MoistureNow {
  outer: number
  mean: number
  core: number
}

/** Less than this share of the limit apart, two numbers may differ by the frames alone. */
const FRAMES_APART = 0.03

/** Moisture of a spool at a time, or nothing while it is being computed. */
export function moistureAt(
  spool: Spool,
  frameHours: readonly number[],
  hoursAhead: number,
): MoistureNow | null {
  if (!spool.frames) {
    return null
  }
  const position = framePosition(frameHours, hoursAhead)
  const outer = valueAt(spool.frames.outer, position)
  return {
    outer: isPastIn(spool, hoursAhead) === false ? notJustAbove(spool, outer) : outer,
    mean: valueAt(spool.frames.mean, position),
    core: valueAt(spool.frames.core, position),
  }
}

/**
 * A number between two frames of a spool that prints, where it came out just above the limit: the
 * moment of passing was found between the frames, and that holds.
 */
function notJustAbove(spool: Spool, percent: number): number {
  const limit = spool.printLimitPercent
  return percent > limit && percent < (1 + FRAMES_APART) * limit ? limit : percent
}

/** Whether a spool is past its limit so many hours from now; nothing while that is not known. */
function isPastIn(spool: Spool, hoursAhead: number): boolean | undefined {
  const nowS = Date.now() / 1000
  return standingAt(spool, nowS, nowS + 3600 * hoursAhead)?.past
}

/** The picture of a spool at a time. */
export function faceAt(spool: Spool, frameHours: readonly number[], hoursAhead: number): Face {
  const rings = spool.frames
    ? ringsAt(spool.frames.rings, framePosition(frameHours, hoursAhead))
    : []
  return {
    hubRadiusMm: spool.hubRadiusMm,
    windingRadiusMm: spool.windingRadiusMm,
    rimRadiusMm: spool.rimRadiusMm,
    ringShares: rings.map((percent) => percent / spool.printLimitPercent),
    hubColour: spool.colourHex,
    sealed: spool.sealed,
    looseEnd: spool.end === 'SUSPECT' || spool.end === 'TANGLE' || spool.end === 'IN_HAND',
    quarantined: spool.smallestNozzleMm > 0,
  }
}

/** How a spool stands against its print limit at the time shown. */
export interface Standing {
  past: boolean
  text: string
}

/**
 * Standing of a spool for the next job's grams.
 *
 * @param shownS the time shown, epoch seconds
 */
export function standingAt(spool: Spool, nowS: number, shownS: number): Standing | null {
  if (!spool.printable) {
    return null
  }
  const { state, atS } = spool.printable
  switch (state) {
    case 'BEYOND_FORECAST':
      return { past: false, text: 'good for 14 days' }
    case 'PAST_LIMIT':
      return { past: true, text: 'past its print limit' }
    case 'UNTIL':
      return shownS >= (atS ?? 0)
        ? { past: true, text: 'past its print limit' }
        : { past: false, text: `good until ${moment(atS ?? 0, nowS)}` }
    case 'AGAIN_FROM':
      return shownS >= (atS ?? 0)
        ? { past: false, text: 'dry enough again' }
        : { past: true, text: `too wet until ${moment(atS ?? 0, nowS)}` }
  }
}

const END_NOTES: Partial<Record<Spool['end'], string>> = {
  IN_HAND: 'end in the hand',
  LOADED: 'loaded',
  SUSPECT: 'end was loose',
  TANGLE: 'tangled',
  RUN_OUT: 'run out',
}

/** What needs a hand before this spool is used, apart from its water. */
export function handlingNote(spool: Spool): string {
  const notes = [
    END_NOTES[spool.end] ?? '',
    spool.smallestNozzleMm > 0 ? `dusty: ${spool.smallestNozzleMm} mm nozzle` : '',
    spool.heated ? 'lay hot' : '',
  ]
  return notes.filter(Boolean).join(', ')
}

/** Words for those who cannot see the picture. */
export function faceLabel(spool: Spool, at: MoistureNow | null): string {
  return at
    ? `${spool.code}: outer wraps ${at.outer.toFixed(3)} %, core ${at.core.toFixed(3)} %, print limit ${spool.printLimitPercent} %`
    : `${spool.code}: being computed`
}
