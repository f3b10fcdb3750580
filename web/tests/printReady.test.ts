import { describe, expect, it } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'
import { jobNote, lastReady, printsAfter } from '@/stations/dry/printReady'

const ready = (likelyHours: number | null, sureHours: number | null) => ({
  goalPercent: 0.16,
  likelyHours,
  sureHours,
})

describe('when the next job prints', () => {
  it('is said first, up to the half hour of a timer', () => {
    setActivePinia(createPinia())
    expect(printsAfter(ready(3.1, 5.2), 65)).toBe('Prints after 5.5 h at 65 °C')
    expect(printsAfter(ready(3.1, 5.2), 64.9)).toBe('Prints after 5.5 h at 64 °C')
    expect(printsAfter(ready(3.1, null), 65)).toBe('Prints probably after 3.5 h at 65 °C')
    expect(printsAfter(ready(null, null), 45)).toBe('Never dry enough to print at 45 °C')
    expect(printsAfter(ready(0, 0), 65)).toBe('Prints as it is')
    expect(printsAfter(ready(0, 1.5), 65)).toBe('Prints after 1.5 h at 65 °C')
  })

  it('says of which metres it speaks, and how sure it is', () => {
    expect(jobNote(ready(3.1, 5.2), 100)).toContain('The 100 g of the next job')
    // The same hours as above the page.
    expect(jobNote(ready(3.1, 5.2), 100)).toContain('surely (nine times in ten) after 5.5 h')
    expect(jobNote(ready(3.1, null), 100)).toContain('not known well enough')
    expect(jobNote(ready(null, null), 100)).toContain('never in this air')
    expect(jobNote(ready(0, 0), 100)).toContain('already')
  })

  it('is, for several, when the last of them does; never where one never does', () => {
    expect(lastReady([])).toBeNull()
    expect(lastReady([ready(2, 4), ready(3, 3.5)])).toMatchObject({ likelyHours: 3, sureHours: 4 })
    expect(lastReady([ready(2, 4), ready(3, null)])?.sureHours).toBeNull()
    expect(lastReady([ready(2, 4), ready(null, null)])?.likelyHours).toBeNull()
  })
})
