import type { Schemas } from '@/api/client'

type Use = Schemas['Use']

/** Bytes in words, by powers of 1024 as disks are shown. */
export function bytesInWords(bytes: number): string {
  const units = ['bytes', 'kB', 'MB', 'GB', 'TB']
  let value = bytes
  let unit = 0
  while (value >= 1024 && unit < units.length - 1) {
    value /= 1024
    unit += 1
  }
  const digits = unit === 0 || value >= 100 ? 0 : 1
  return `${value.toFixed(digits)} ${units[unit]}`
}

/** What lies in files of its own, the largest first, with its share of the largest. */
export function inFiles(uses: readonly Use[]): (Use & { share: number })[] {
  const files = uses.filter((use) => !use.inDatabase).sort((a, b) => b.bytes - a.bytes)
  const most = Math.max(1, ...files.map((use) => use.bytes))
  return files.map((use) => ({ ...use, share: use.bytes / most }))
}

/** What the database holds. */
export function inDatabase(uses: readonly Use[]): Use[] {
  return uses.filter((use) => use.inDatabase)
}
