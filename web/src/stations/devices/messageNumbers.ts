import type { Schemas } from '@/api/client'

export type Unit = NonNullable<Schemas['ChannelRequest']['unit']>

/** A number or time found in a message, with the JSON pointer to it. */
export interface Found {
  pointer: string
  shown: string
  isTime: boolean
  guess: Unit | null
}

/** Seconds between 2001 and 2100, and the same in milliseconds. */
function looksLikeEpoch(value: number): boolean {
  return (value > 1e9 && value < 4.2e9) || (value > 1e12 && value < 4.2e12)
}

function guessUnit(key: string, value: number): Unit | null {
  const name = key.toLowerCase()
  if (/fahr|_f$|tempf/.test(name)) {
    return 'FAHRENHEIT'
  }
  if (/temp|celsius|^t$|_c$/.test(name)) {
    return 'CELSIUS'
  }
  if (/hum|rh|^h$/.test(name)) {
    return value > 0 && value <= 1 ? 'FRACTION' : 'PERCENT'
  }
  if (/mass|weight|gram|^g$/.test(name)) {
    return 'GRAM'
  }
  return /progress|done/.test(name) ? 'PERCENT_DONE' : null
}

/**
 * All numbers and times in a message: of JSON every leaf that is one, else the message itself if it
 * is a plain number.
 */
export function numbersIn(payload: string): Found[] {
  let parsed: unknown
  try {
    parsed = JSON.parse(payload)
  } catch {
    parsed = payload.trim().replace(',', '.')
  }
  if (typeof parsed === 'number' || (typeof parsed === 'string' && isNumber(parsed))) {
    return [{ pointer: '', shown: payload.trim(), isTime: false, guess: null }]
  }
  const found: Found[] = []
  walk(parsed, '', '', found)
  return found
}

function isNumber(text: string): boolean {
  return /^[+-]?\d+(\.\d+)?$/.test(text)
}

function walk(value: unknown, pointer: string, key: string, found: Found[]) {
  if (value !== null && typeof value === 'object') {
    for (const [name, child] of Object.entries(value)) {
      const step = name.replaceAll('~', '~0').replaceAll('/', '~1')
      walk(child, `${pointer}/${step}`, name, found)
    }
    return
  }
  const number = typeof value === 'number' ? value : isNumber(String(value)) ? Number(value) : NaN
  const isTime =
    typeof value === 'string' ? /^\d{4}-\d\d-\d\dT/.test(value) : looksLikeEpoch(number)
  if (isTime || !Number.isNaN(number)) {
    found.push({
      pointer,
      shown: String(value),
      isTime,
      guess: isTime ? null : guessUnit(key, number),
    })
  }
}
