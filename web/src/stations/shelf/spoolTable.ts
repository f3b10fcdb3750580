import { handlingNote, type MoistureNow, type Standing } from '@/parts/spoolAtTime'
import type { Spool } from '@/stores/shelf'

/** A spool with what is shown of it at the time shown. */
export interface Row {
  spool: Spool
  place: string
  at: MoistureNow | null
  standing: Standing | null
}

export type ColumnId =
  | 'code'
  | 'material'
  | 'colour'
  | 'place'
  | 'outer'
  | 'mean'
  | 'core'
  | 'limit'
  | 'grams'
  | 'metres'
  | 'arrived'
  | 'standing'

/** A column: what it is called, and its value of a spool for sorting, filtering and files. */
export interface Column {
  id: ColumnId
  title: string
  /** With its unit, for a file. */
  fileTitle: string
  number: boolean
  value: (row: Row) => string | number | null
}

const DAY_S = 86_400

export const COLUMNS: readonly Column[] = [
  { id: 'code', title: 'Code', fileTitle: 'code', number: false, value: (r) => r.spool.code },
  {
    id: 'material',
    title: 'Material',
    fileTitle: 'material',
    number: false,
    value: (r) => r.spool.material,
  },
  {
    id: 'colour',
    title: 'Colour',
    fileTitle: 'colour',
    number: false,
    value: (r) => r.spool.colourName,
  },
  { id: 'place', title: 'Place', fileTitle: 'place', number: false, value: (r) => r.place },
  {
    id: 'outer',
    title: 'Outer wraps',
    fileTitle: 'water in outer wraps, %',
    number: true,
    value: (r) => r.at?.outer ?? null,
  },
  {
    id: 'mean',
    title: 'Mean',
    fileTitle: 'mean water, %',
    number: true,
    value: (r) => r.at?.mean ?? null,
  },
  {
    id: 'core',
    title: 'Core',
    fileTitle: 'water in the core, %',
    number: true,
    value: (r) => r.at?.core ?? null,
  },
  {
    id: 'limit',
    title: 'Limit',
    fileTitle: 'print limit, %',
    number: true,
    value: (r) => r.spool.printLimitPercent,
  },
  {
    id: 'grams',
    title: 'Left, g',
    fileTitle: 'left, g',
    number: true,
    value: (r) => r.spool.remainingG.typical,
  },
  {
    id: 'metres',
    title: 'Left, m',
    fileTitle: 'left, m',
    number: true,
    value: (r) => r.spool.remainingM.typical,
  },
  {
    id: 'arrived',
    title: 'Here for, days',
    fileTitle: 'here for, days',
    number: true,
    value: (r) => Math.max(0, (Date.now() / 1000 - r.spool.arrivedS) / DAY_S),
  },
  {
    id: 'standing',
    title: 'State',
    fileTitle: 'state',
    number: false,
    value: (r) => [r.standing?.text ?? '', handlingNote(r.spool)].filter(Boolean).join(', '),
  },
]

/** How a list is shown; saved under a name by those who want it again. */
export interface View {
  filters: Partial<Record<ColumnId, string>>
  /** Null: the most urgent first. */
  sort: { by: ColumnId; down: boolean } | null
}

type Test = (value: string | number | null) => boolean

const BOUND = /^([<>])\s*(\d+(?:[.,]\d+)?)$/
const RANGE = /^(\d+(?:[.,]\d+)?)\s*(?:-|to|…)\s*(\d+(?:[.,]\d+)?)$/

function number(text: string): number {
  return Number(text.replace(',', '.'))
}

/**
 * What a filter asks for: in a column of numbers `< 200`, `> 0.1` or `100-300`; words to be found
 * in any other, or a number as it begins.
 */
export function testOf(filter: string, isNumber: boolean): Test {
  const text = filter.trim().toLowerCase()
  if (text === '') {
    return () => true
  }
  if (isNumber) {
    const bound = BOUND.exec(text)
    if (bound) {
      const limit = number(bound[2]!)
      return (value) =>
        value !== null && (bound[1] === '<' ? Number(value) < limit : Number(value) > limit)
    }
    const range = RANGE.exec(text)
    if (range) {
      const [low, high] = [number(range[1]!), number(range[2]!)]
      return (value) => value !== null && Number(value) >= low && Number(value) <= high
    }
    return (value) => value !== null && String(value).startsWith(text.replace(',', '.'))
  }
  const words = text.split(/\s+/)
  return (value) => words.every((word) => String(value).toLowerCase().includes(word))
}

/** Those past their limit first, the wettest ahead; then by the moment at which they pass it. */
export function urgency({ spool }: Row): number {
  if (!spool.printable) {
    return Infinity
  }
  const { state, atS, headroomPercent } = spool.printable
  return state === 'UNTIL'
    ? (atS ?? 0)
    : state === 'BEYOND_FORECAST'
      ? 1e12
      : headroomPercent / spool.printLimitPercent
}

function compare(a: string | number | null, b: string | number | null): number {
  if (a === null || b === null) {
    return a === b ? 0 : a === null ? 1 : -1
  }
  return typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b), 'en', { numeric: true })
}

/** The rows that pass all filters, in the order asked for; what is not known comes last. */
export function shown(rows: readonly Row[], view: View): Row[] {
  const tests = COLUMNS.filter((column) => view.filters[column.id]).map((column) => {
    const test = testOf(view.filters[column.id] ?? '', column.number)
    return (row: Row) => test(column.value(row))
  })
  const column = COLUMNS.find((each) => each.id === view.sort?.by)
  const order = (a: Row, b: Row) => {
    if (!column) {
      return urgency(a) - urgency(b)
    }
    const [x, y] = [column.value(a), column.value(b)]
    const known = x !== null && y !== null
    return compare(x, y) * (view.sort?.down && known ? -1 : 1)
  }
  return rows
    .filter((row) => tests.every((test) => test(row)))
    .sort((a, b) => order(a, b) || a.spool.code.localeCompare(b.spool.code))
}

const VIEWS_KEY = 'mind-spool-list-views'

/** Views by name, as this device keeps them. */
export function savedViews(): Record<string, View> {
  try {
    return JSON.parse(localStorage.getItem(VIEWS_KEY) ?? '{}') as Record<string, View>
  } catch {
    return {}
  }
}

export function saveViews(views: Record<string, View>) {
  try {
    localStorage.setItem(VIEWS_KEY, JSON.stringify(views))
  } catch {
    // The view holds until the page is left.
  }
}
