/** Keys of one scan follow each other at least so fast, ms; nobody types like that. */
const MOST_APART_MS = 60
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
  let lastMs = 0
  return (key: string, atMs: number): boolean => {
    const fast = atMs - lastMs < MOST_APART_MS
    lastMs = atMs
    if (key === 'Enter') {
      const code = typed.length >= LEAST_KEYS ? CODE.exec(typed.trim())?.[1] : undefined
      typed = ''
      if (fast && code) {
        found(code.toUpperCase())
        return true
      }
      return false
    }
    if (key.length === 1) {
      typed = fast ? typed + key : key
      return fast && typed.length > 1
    }
    return false
  }
}
