/** Stops of the moisture ramp: moisture as a share of the print limit, and its colour. */
const STOPS: ReadonlyArray<readonly [number, readonly [number, number, number]]> = [
  [0, [0xef, 0xe3, 0xbd]],
  [0.5, [0xb9, 0xcf, 0xb0]],
  [1, [0x5f, 0xa0, 0xa3]],
  [1.5, [0x2f, 0x67, 0x8f]],
  [2.5, [0x23, 0x2c, 0x63]],
  [5, [0x0d, 0x0f, 0x24]],
]

/** Shares of the limit that the legend shows. */
export const LEGEND_SHARES = [0, 0.25, 0.5, 0.75, 1, 1.5, 2, 2.5, 4] as const

/**
 * Colour of a moisture, from straw (dry) to deep water (wet); its lightness falls all the way, so that
 * it can be read without colour vision.
 *
 * @param share moisture divided by the print limit; values outside 0..5 take the end colours
 */
export function moistureColour(share: number): string {
  const x = Math.min(Math.max(share, 0), 5)
  let i = 1
  while (i < STOPS.length - 1 && x > STOPS[i]![0]) {
    i++
  }
  const [from, low] = STOPS[i - 1]!
  const [to, high] = STOPS[i]!
  const t = (x - from) / (to - from)
  const channel = (k: 0 | 1 | 2) => Math.round(low[k] + t * (high[k] - low[k]))
  return `rgb(${channel(0)} ${channel(1)} ${channel(2)})`
}
