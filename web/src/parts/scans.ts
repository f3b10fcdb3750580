import { onBeforeUnmount, onMounted } from 'vue'
import type { Router } from 'vue-router'
import type { Scan } from './scanner'

/** Takes a scan; false where it has no use for it. */
type Taker = (scan: Scan) => boolean

const takers: Taker[] = []

/** Lets a page take what is scanned while it is shown, before it leads elsewhere. */
export function useScans(taker: Taker) {
  onMounted(() => takers.push(taker))
  onBeforeUnmount(() => takers.splice(takers.indexOf(taker), 1))
}

/** Gives a scan to the page that is shown; else goes to what was scanned. */
export function scanned(scan: Scan, router: Router) {
  if (!takers.at(-1)?.(scan)) {
    void router.push('code' in scan ? `/spool/${scan.code}` : `/place/${scan.placeId}`)
  }
}

const homes: (() => HTMLElement | null)[] = []

/**
 * Lets a page have all that is typed outside of fields in one field of its own, which understands
 * scans by itself.
 */
export function useHomeField(field: () => HTMLElement | null) {
  onMounted(() => homes.push(field))
  onBeforeUnmount(() => homes.splice(homes.indexOf(field), 1))
}

/** The field of the page that is shown in which keys land that go nowhere else. */
export function homeField(): HTMLElement | null {
  return homes.at(-1)?.() ?? null
}
