import { describe, expect, it } from 'vitest'
import { framePosition, ringsAt, valueAt } from '@/parts/frames'

const HOURS = [0, 1, 2, 4, 8]

describe('frames', () => {
  it('finds the frames around a time', () => {
    expect(framePosition(HOURS, 3)).toEqual({ index: 2, share: 0.5 })
    expect(framePosition(HOURS, 0)).toEqual({ index: 0, share: 0 })
  })

  it('holds the ends', () => {
    expect(framePosition(HOURS, -5)).toEqual({ index: 0, share: 0 })
    expect(framePosition(HOURS, 99)).toEqual({ index: 3, share: 1 })
    expect(framePosition([0], 5)).toEqual({ index: 0, share: 0 })
  })

  it('draws straight lines between frames', () => {
    const position = framePosition(HOURS, 6)
    expect(valueAt([0, 0, 0, 1, 3], position)).toBe(2)
    expect(ringsAt([[0], [0], [0], [1], [3]], position)).toEqual([2])
  })
})
