import type { Schemas } from '@/api/client'
import type { Part } from './sheet'

export type PartAnswer = Schemas['PartAnswer']

/** Rounded to a tenth of a millimetre, as nobody prints finer. */
function tenth(value: number): number {
  return Math.round(10 * value) / 10
}

/**
 * The part of a sheet with what its file tells: size, sharpest corner and its rounding, what it stands on where that is less.
 * Walls, infill and line width stay; a print file tells its layer height and line width.
 */
export function filled(part: Part, file: PartAnswer): Part {
  const { x, y, z } = file.boundsMm
  const corners = file.footprint?.corners ?? []
  const base = file.footprint?.standsOnMm ?? Math.min(x, y)
  const sharpest = corners.reduce<(typeof corners)[number] | null>(
    (worst, corner) =>
      worst === null ||
      corner.radiusMm < worst.radiusMm ||
      (corner.radiusMm === worst.radiusMm && corner.angleDeg < worst.angleDeg)
        ? corner
        : worst,
    null,
  )
  const middle = file.layers[Math.min(2, file.layers.length - 1)]
  return {
    ...part,
    lengthMm: tenth(Math.max(x, y)),
    widthMm: tenth(Math.min(x, y)),
    heightMm: tenth(z),
    cornerAngleDeg: sharpest ? Math.round(sharpest.angleDeg) : part.cornerAngleDeg,
    cornerRadiusMm: sharpest ? tenth(sharpest.radiusMm) : part.cornerRadiusMm,
    baseWidthMm: base < Math.min(x, y) - 0.1 ? Math.max(0.1, tenth(base)) : null,
    layerHeightMm: middle ? Math.round(100 * middle.heightMm) / 100 : part.layerHeightMm,
    lineWidthMm: middle ? Math.round(100 * middle.widthMm) / 100 : part.lineWidthMm,
  }
}

/** A size in words, such as 14.3 MB. */
export function megabytes(bytes: number): string {
  return bytes < 1e5
    ? `${Math.max(1, Math.round(bytes / 1e3))} kB`
    : `${(bytes / 1e6).toFixed(1)} MB`
}

/** Points of a line as the path of a drawing, y upwards. */
export function lineOf(points: readonly (readonly number[])[], top: number): string {
  return points
    .map(([x, y], i) => `${i ? 'L' : 'M'}${(x ?? 0).toFixed(2)} ${(top - (y ?? 0)).toFixed(2)}`)
    .join('')
}

/** Points of a polygon as the path of a drawing, y upwards. */
export function pathOf(points: readonly (readonly number[])[], top: number): string {
  return `${lineOf(points, top)}Z`
}

/** Numbers as points: x and y of each, one after the other. */
export function pointsOf(numbers: readonly number[]): [number, number][] {
  return Array.from({ length: numbers.length >> 1 }, (_, i) => [
    numbers[2 * i] ?? 0,
    numbers[2 * i + 1] ?? 0,
  ])
}
