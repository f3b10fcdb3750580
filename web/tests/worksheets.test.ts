import { describe, expect, it } from 'vitest'
import { grid, numbers } from '@/parts/numbers'
import { SHEETS } from '@/stations/materials/worksheets'

describe('numbers in a row', () => {
  it('stand between spaces, semicolons or lines, with points or commas', () => {
    expect(numbers('0.41 0.42  0.40')).toEqual([0.41, 0.42, 0.4])
    expect(numbers('0,41; 0,42;0,40')).toEqual([0.41, 0.42, 0.4])
    expect(numbers('10, 50, 100')).toEqual([10, 50, 100])
    expect(numbers('10\n50\n')).toEqual([10, 50])
  })

  it('leave out what is none', () => {
    expect(numbers('')).toEqual([])
    expect(numbers('0.4 about 0.5')).toEqual([0.4, 0.5])
  })
})

describe('rows of numbers', () => {
  it('are lines with numbers, with points or commas', () => {
    expect(grid('0.1 0,2\n\n-0.3; 0\n')).toEqual([
      [0.1, 0.2],
      [-0.3, 0],
    ])
    expect(grid('front')).toEqual([])
  })
})

describe('worksheets', () => {
  it('say how to measure, and ask for what they compute with', () => {
    for (const sheet of Object.values(SHEETS)) {
      expect(sheet.how.length).toBeGreaterThan(30)
      expect(sheet.least).toBeGreaterThan(2)
    }
    expect(numbers(SHEETS.EXTRUDER.asked?.usual ?? '')).toHaveLength(3)
  })
})
