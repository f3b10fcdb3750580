/** Keys of one scan follow each other so fast on average, ms; nobody types like that. */
const MEAN_APART_MS = 60
/** One key may come so late, ms: a busy computer holds a key back now and then. */
const MOST_APART_MS = 250
const CODE = /([3479ACEFHJKMNPRTWXY]{4})$/i
const LEAST_KEYS = 4

/**
 * Tells a label scanner that types from a person: feed it every key pressed outside of fields.
 *
 * @param found is called with the spool's code once a scan has ended with Enter
 * @returns takes a key and the time of its press; true when it belongs to a scan
 */
export function scannerOf(found: (code: string) => void) {
  let typed = ''
  let firstMs = 0
  let lastMs = 0
  const steady = (atMs: number) => atMs - firstMs < MEAN_APART_MS * typed.length
  return (key: string, atMs: number): boolean => {
    const goesOn = typed !== '' && atMs - lastMs < MOST_APART_MS
    lastMs = atMs
    if (key === 'Enter') {
      const code = typed.length >= LEAST_KEYS ? CODE.exec(typed.trim())?.[1] : undefined
      const scanned = goesOn && steady(atMs) && code !== undefined
      typed = ''
      if (scanned) {
        found(code.toUpperCase())
      }
      return scanned
    }
    if (key.length !== 1) {
      return false
    }
    if (!goesOn) {
      typed = key
      firstMs = atMs
      return false
    }
    const part = steady(atMs)
    typed += key
    return part
  }
}
