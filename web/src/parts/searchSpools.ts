import type { Spool } from '@/stores/shelf'

/**
 * Spools that match what was typed or scanned: all words must occur in code, material, colour or
 * place. A code that begins as typed comes first.
 */
export function searchSpools(
  spools: readonly Spool[],
  placeName: (id: number) => string,
  text: string,
): Spool[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) {
    return []
  }
  const code = text.toLowerCase().replace(/[\s-]/g, '')
  const byCode = (spool: Spool) => spool.code.toLowerCase().startsWith(code)
  return spools
    .filter((spool) => {
      const all =
        `${spool.code} ${spool.material} ${spool.materialTitle} ${spool.colourName} ${placeName(spool.placeId)}`.toLowerCase()
      return byCode(spool) || words.every((word) => all.includes(word))
    })
    .sort((a, b) => Number(byCode(b)) - Number(byCode(a)) || a.code.localeCompare(b.code))
}
