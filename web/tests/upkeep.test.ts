import { describe, expect, it } from 'vitest'
import { lasts, reorder } from '@/stations/upkeep/supplies'
import { benches, daysAgo, headline, inDays, type Item } from '@/stations/upkeep/upkeep'
import type { Schemas } from '@/api/client'

function item(task: string, state: Item['state'], more: Partial<Item> = {}): Item {
  return {
    task,
    title: task,
    subject: 'PRINTER',
    subjectId: 3,
    name: 'Press 3',
    state,
    counts: [{ counter: 'HOURS', used: 90, every: 100, words: '90 of 100 hours of printing' }],
    dueS: null,
    lastS: null,
    minutes: 5,
    machineState: 'hot',
    procedure: null,
    sign: null,
    needs: [],
    caution: null,
    steps: [],
    ownId: null,
    ...more,
  }
}

describe('upkeep by bench', () => {
  it('puts together what is done in one state, and what comes later apart', () => {
    const all = benches([
      item('fans', 'DUE'),
      item('screw', 'SOON', { machineState: 'switched off and cool' }),
      item('nozzle', 'SOON'),
      item('rods', 'LATER'),
      item('wash', 'LATER', { subject: 'PLATE', subjectId: 3, name: 'Sheet A' }),
    ])
    expect(all.map((bench) => bench.name)).toEqual(['Press 3', 'Sheet A'])
    expect(all[0]?.groups.map((group) => group.items.map((each) => each.task))).toEqual([
      ['fans', 'nozzle'],
      ['screw'],
    ])
    expect(all[0]?.later.map((each) => each.task)).toEqual(['rods'])
    expect(all[1]?.groups).toEqual([])
  })

  it('says first what is due, else what is soon', () => {
    expect(headline([item('a', 'DUE'), item('b', 'DUE')])).toBe('2 tasks are due')
    expect(headline([item('a', 'DUE')])).toBe('One task is due')
    expect(headline([item('a', 'SOON')])).toBe('Nothing is due, one task is soon')
    expect(headline([])).toBe('Nothing is due')
  })

  it('says times in words', () => {
    expect(inDays(0, 100)).toBe('now')
    expect(inDays(0, 100, 'today')).toBe('today')
    expect(inDays(86_400, 0)).toBe('in a day')
    expect(inDays(45 * 86_400, 0)).toBe('in 45 days')
    expect(inDays(304 * 86_400, 0)).toBe('in 10 months')
    expect(daysAgo(0, 3600)).toBe('today')
    expect(daysAgo(0, 3 * 86_400)).toBe('3 days ago')
  })
})

const PLA: Schemas['FilamentSupplyView'] = {
  material: 'PLA',
  colourName: 'white',
  spools: 1,
  stockG: 400,
  promisedG: 0,
  usedG: 900,
  prints: 20,
  lowDays: 28.4,
  days: 40,
  highDays: 55.1,
  pricePerKg: 20,
  currency: 'EUR',
  pricePerGoodKg: 22,
}
const GEL: Schemas['SupplyView'] = {
  id: 1,
  name: 'Silica gel',
  unit: 'g',
  amount: 500,
  left: 450,
  perMonth: 100,
  least: 300,
  low: false,
  usedUpS: 100 * 86_400,
  price: 0.01,
  currency: 'EUR',
  countedS: 0,
  version: 0,
}

function supplies(
  filaments: Schemas['FilamentSupplyView'][],
  others: Schemas['SupplyView'][] = [],
): Schemas['SuppliesView'] {
  return { nowS: 0, windowDays: 90, filaments, jobs: [], others }
}

describe('what is to be ordered', () => {
  it('is nothing while all lasts', () => {
    expect(reorder(supplies([PLA], [GEL]), [])).toEqual([])
    expect(lasts(PLA)).toBe('28 to 56 days')
    expect(lasts({ ...PLA, highDays: null })).toBe('28 days at least')
    expect(lasts({ ...PLA, days: null })).toBe('not used lately')
  })

  it('is what may be used up, what jobs lack, and what is below its minimum', () => {
    const soon = reorder(supplies([{ ...PLA, lowDays: 9.6 }]), [])
    expect(soon).toMatchObject([{ amount: 1, unit: 'spool', price: 20 }])
    expect(soon[0]?.why).toBe('may be used up in 9 days')
    const lack = reorder(supplies([{ ...PLA, promisedG: 1900 }]), [])
    expect(lack).toMatchObject([{ amount: 2, unit: 'spools', price: 40 }])
    const below = reorder(supplies([PLA]), [
      {
        material: 'PLA',
        colourName: 'White',
        spools: 1,
        grams: 400,
        metres: 130,
        minimumG: 1000,
        toOrderG: 600,
      },
    ])
    expect(below[0]?.why).toBe('below its minimum')
  })

  it('is other things that are low or nearly used up', () => {
    expect(reorder(supplies([], [{ ...GEL, low: true }]), [])).toMatchObject([
      { what: 'Silica gel', amount: 300, unit: 'g', price: 3 },
    ])
    const soon = reorder(supplies([], [{ ...GEL, usedUpS: 5.5 * 86_400 }]), [])
    expect(soon[0]?.why).toBe('used up in 5 days')
  })
})
