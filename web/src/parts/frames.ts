/** Where a time lies between two frames: the earlier one's index and the share towards the next. */
export interface FramePosition {
  index: number
  share: number
}

/**
 * Finds the frames around a time.
 *
 * @param hours hours of the frames, rising from 0
 * @param at hours from now
 */
export function framePosition(hours: readonly number[], at: number): FramePosition {
  const last = hours.length - 1
  if (at <= 0 || last < 1) {
    return { index: 0, share: 0 }
  }
  if (at >= hours[last]!) {
    return { index: last - 1, share: 1 }
  }
  let index = 0
  while (hours[index + 1]! < at) {
    index++
  }
  const from = hours[index]!
  return { index, share: (at - from) / (hours[index + 1]! - from) }
}

/** A value between two frames. */
export function valueAt(values: readonly number[], { index, share }: FramePosition): number {
  const from = values[index] ?? 0
  const to = values[index + 1] ?? from
  return from + share * (to - from)
}

/** Rings between two frames, hub first. */
export function ringsAt(
  rings: readonly (readonly number[])[],
  { index, share }: FramePosition,
): number[] {
  const from = rings[index] ?? []
  const to = rings[index + 1] ?? from
  return from.map((value, ring) => value + share * ((to[ring] ?? value) - value))
}
