import { describe, expect, it } from 'vitest'
import { csv } from '@/parts/csv'
import { COLUMNS, shown, testOf, type Row, type View } from '@/stations/shelf/spoolTable'
import { make } from './contract'

function row(code: string, material: string, grams: number, core: number | null): Row {
  const left = { low: grams, typical: grams, high: grams, exact: true }
  return {
    spool: make('SpoolView', {
      code,
      material,
      remainingG: left,
      remainingM: left,
      printLimitPercent: 0.1,
      printable: make('PrintableView', {
        state: 'PAST_LIMIT',
        atS: null,
        headroomPercent: -grams / 1e4,
      }),
    }),
    place: 'Shelf',
    at: core === null ? null : { outer: core, mean: core, core },
    standing: { past: true, text: 'past its print limit' },
  }
}

const ROWS = [
  row('AAAA', 'PLA', 900, 0.1),
  row('BBBB', 'PETG', 80, 0.3),
  row('CCCC', 'PLA silk', 250, null),
]

function codes(view: Partial<View>): string[] {
  return shown(ROWS, { filters: {}, sort: null, ...view }).map((each) => each.spool.code)
}

describe('the table of spools', () => {
  it('is in the order of urgency until another is asked for', () => {
    expect(codes({})).toEqual(['AAAA', 'CCCC', 'BBBB'])
    expect(codes({ sort: { by: 'grams', down: false } })).toEqual(['BBBB', 'CCCC', 'AAAA'])
    expect(codes({ sort: { by: 'material', down: true } })).toEqual(['CCCC', 'AAAA', 'BBBB'])
  })

  it('puts what is not known last, upwards and downwards', () => {
    expect(codes({ sort: { by: 'core', down: false } })).toEqual(['AAAA', 'BBBB', 'CCCC'])
    expect(codes({ sort: { by: 'core', down: true } })).toEqual(['BBBB', 'AAAA', 'CCCC'])
  })

  it('filters each column by words or by bounds', () => {
    expect(codes({ filters: { material: 'pla' } })).toEqual(['AAAA', 'CCCC'])
    expect(codes({ filters: { material: 'silk pla' } })).toEqual(['CCCC'])
    expect(codes({ filters: { grams: '< 250' } })).toEqual(['BBBB'])
    expect(codes({ filters: { grams: '80-250' } })).toEqual(['CCCC', 'BBBB'])
    expect(codes({ filters: { core: '> 0,2' } })).toEqual(['BBBB'])
    expect(codes({ filters: { material: 'pla', grams: '>500' } })).toEqual(['AAAA'])
    expect(codes({ filters: { standing: 'good' } })).toEqual([])
  })

  it('sorts by every column without losing a row', () => {
    for (const { id } of COLUMNS) {
      expect(codes({ sort: { by: id, down: true } }).sort()).toEqual(['AAAA', 'BBBB', 'CCCC'])
    }
  })

  it('lets an empty filter pass all', () => {
    expect(testOf('  ', true)(null)).toBe(true)
    expect(testOf('< 5', true)(null)).toBe(false)
  })
})

// RFC 4180, sections 2.5 to 2.7. Formulas: common practice against what spreadsheets would run.
describe('comma-separated values', () => {
  it('are quoted where they must be', () => {
    const text = csv(
      ['a', 'b'],
      [
        ['x,y', 'say "so"'],
        [null, 1.5],
      ],
    )
    expect(text.split('\r\n')).toEqual(['a,b', '"x,y","say ""so"""', ',1.5', ''])
  })

  it('never become formulas', () => {
    const text = csv(['a'], [['=1+1'], ['-2 m'], [-2]])
    expect(text.split('\r\n')).toEqual(['a', "'=1+1", "'-2 m", '-2', ''])
  })
})
