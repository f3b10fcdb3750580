import type { Scan } from '@/parts/scanner'

/** What was entered in one go: what labels say, and words between them. */
export type Part = Scan | { words: string }

/** The address on a label, wherever in the text it stands; codes leave out what is misread. */
const ADDRESS =
  /(?:https?:\/\/[^\s/]+)?\/(?:spool\/([3479ACEFHJKMNPRTWXY]{4})|place\/(\d{1,9})(?!\d))\/?/gi

/**
 * What a text says, by its form and never by how fast it came: a slow scanner, a fast typist and a
 * scan after something that was left in the field are all understood.
 */
export function entered(text: string): Part[] {
  const parts: Part[] = []
  let from = 0
  const words = (to: number) => {
    const between = text.slice(from, to).trim()
    if (between) {
      parts.push({ words: between })
    }
  }
  for (const found of text.matchAll(ADDRESS)) {
    words(found.index)
    const [all, code, place] = found
    parts.push(code ? { code: code.toUpperCase() } : { placeId: Number(place) })
    from = found.index + all.length
  }
  words(text.length)
  return parts
}
