/** Keys of one scan follow each other so fast on average, ms; nobody types like that. */
const MEAN_APART_MS = 90
/** One key may come so late, ms: a busy computer holds a key back now and then. */
const MOST_APART_MS = 250
const ADDRESS = /\/(?:spool\/[a-z0-9]{4}|place\/\d{1,9})\/?$/i
/** The same with host: nobody types that by hand, so it is a scan however slowly it comes. */
const WHOLE_ADDRESS = /https?:\/\/\S+\/(?:spool\/[a-z0-9]{4}|place\/\d{1,9})\/?$/i
const PLACE = /\/place\/(\d{1,9})\/?$/i
const CODE = /([3479ACEFHJKMNPRTWXY]{4})$/i
const LEAST_KEYS = 4

/** Where the keys of a scan land: what was there before the first of them comes back. */
export interface Field {
  value: string
}

/** What a label says: a spool's code or a place's number. */
export type Scan = { code: string } | { placeId: number }

/** What was typed as a scan; nothing where it is none. */
function read(typed: string): Scan | undefined {
  const text = typed.trim()
  const place = PLACE.exec(text)?.[1]
  if (place) {
    return { placeId: Number(place) }
  }
  const code = text.length >= LEAST_KEYS ? CODE.exec(text)?.[1] : undefined
  return code ? { code: code.toUpperCase() } : undefined
}

/** Whether it cannot be anything else than a scan: a scale that types may be as fast. */
function isSure(typed: string, scan: Scan): boolean {
  return ADDRESS.test(typed.trim()) || ('code' in scan && /[a-z]/i.test(scan.code))
}

/**
 * Tells a label scanner that types from a person: feed it every key pressed, wherever the focus is.
 * In a field only an address or a code with a letter is a scan.
 *
 * @param found is called with what was scanned once a scan has ended with Enter
 * @returns takes a key, the time of its press and the field it lands in, if any; true when it
 *     belongs to a scan and has no business elsewhere
 */
export function scannerOf(found: (scan: Scan) => void) {
  let typed = ''
  let firstMs = 0
  let lastMs = 0
  let before = ''
  const steady = (atMs: number) => atMs - firstMs < MEAN_APART_MS * typed.length
  return (key: string, atMs: number, field?: Field): boolean => {
    const goesOn = typed !== '' && atMs - lastMs < MOST_APART_MS
    lastMs = atMs
    if (key === 'Enter') {
      const scan = read(typed)
      const scanned =
        goesOn &&
        scan !== undefined &&
        (WHOLE_ADDRESS.test(typed.trim()) || (steady(atMs) && (!field || isSure(typed, scan))))
      typed = ''
      if (scanned) {
        if (field) {
          field.value = before
        }
        found(scan)
      }
      return scanned
    }
    if (key.length !== 1) {
      return false
    }
    if (!goesOn) {
      typed = key
      firstMs = atMs
      before = field?.value ?? ''
      return false
    }
    const part = steady(atMs)
    typed += key
    // In a field it stays until the scan is known to be one.
    return part && !field
  }
}
