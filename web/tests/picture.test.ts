import { describe, expect, it } from 'vitest'
import { LEGEND_SHARES, moistureColour } from '@/parts/ramp'
import { limitRadii, radiusOfShare, shareAtRadius, type Face } from '@/parts/spoolFace'

const FACE: Face = {
  hubRadiusMm: 40,
  windingRadiusMm: 88,
  rimRadiusMm: 100,
  ringShares: [0.2, 0.4, 0.8, 1.6],
  hubColour: '#000000',
  sealed: false,
}

/** Relative luminance of an `rgb(r g b)` text, WCAG 2.2. */
function luminance(colour: string): number {
  const [r, g, b] = colour.match(/\d+/g)!.map((text) => {
    const c = Number(text) / 255
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
}

describe('moisture ramp', () => {
  it('darkens all the way, so that it reads without colour vision', () => {
    const lights = LEGEND_SHARES.map((share) => luminance(moistureColour(share)))
    for (let i = 1; i < lights.length; i++) {
      expect(lights[i]!).toBeLessThan(lights[i - 1]! - 0.01)
    }
  })

  it('holds its ends', () => {
    expect(moistureColour(-1)).toBe(moistureColour(0))
    expect(moistureColour(9)).toBe(moistureColour(5))
  })
})

describe('spool face', () => {
  it('gives every ring the same area, because rings have equal mass', () => {
    const radii = [0, 0.25, 0.5, 0.75, 1].map((share) => radiusOfShare(FACE, share))
    const areas = radii.slice(1).map((r, i) => r ** 2 - radii[i]! ** 2)
    areas.forEach((area) => expect(area).toBeCloseTo(areas[0]!, 6))
    expect(radii[0]).toBe(40)
    expect(radii[4]).toBeCloseTo(88, 9)
  })

  it('shades the middle of a ring with its own value', () => {
    expect(shareAtRadius(FACE, radiusOfShare(FACE, 0.375))).toBeCloseTo(0.4, 9)
    expect(shareAtRadius(FACE, 88)).toBeCloseTo(1.6, 9)
  })

  it('marks where moisture crosses the limit', () => {
    const [radius, ...more] = limitRadii(FACE)
    expect(more).toHaveLength(0)
    expect(shareAtRadius(FACE, radius!)).toBeCloseTo(1, 1)
    expect(limitRadii({ ...FACE, ringShares: [0.5, 0.5] })).toHaveLength(0)
  })
})
