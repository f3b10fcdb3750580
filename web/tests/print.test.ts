import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import BaseFromAbove from '@/stations/print/BaseFromAbove.vue'
import FactorBand from '@/stations/print/FactorBand.vue'
import LeverRow from '@/stations/print/LeverRow.vue'
import OverHeight from '@/stations/print/OverHeight.vue'
import { Problem } from '@/api/client'
import StartChecks from '@/stations/print/StartChecks.vue'
import WaterOfJob from '@/stations/print/WaterOfJob.vue'
import {
  asText,
  benchWork,
  isChoice,
  moved,
  newPart,
  NO_CHOICES,
  requestOf,
  taken,
  unsure,
  verdict,
  worst,
  type Draft,
} from '@/stations/print/sheet'
import { make } from './contract'
import { plain } from './pages'

beforeEach(() => setActivePinia(createPinia()))

const draft = (): Draft => ({
  printerId: 1,
  plateId: 2,
  feedId: null,
  code: 'K7F4',
  part: newPart(),
  choices: { ...NO_CHOICES },
  grams: null,
  hours: null,
})

const hold = (adhesionRatio: number, plateRatio = 0.1, tipRatio = 0, more = {}) =>
  make('HoldAnswer', {
    adhesionRatio,
    plateRatio,
    tipRatio,
    danger: null,
    liftsAtHeightMm: adhesionRatio >= 1 ? 8 : null,
    heightMm: [1, 5, 10],
    adhesionByHeight: [0.2, 0.6, adhesionRatio],
    plateByHeight: [0.05, 0.1, plateRatio],
    airC: [80, 50, 40],
    ...more,
  })

const sheet = (of = hold(0.4), more = {}) =>
  make('SheetAnswer', {
    material: 'ABS',
    hold: of,
    gates: [],
    benchSteps: ['Turn the spool by hand.'],
    bond: make('BondView', { heightMm: [5, 10], zToXyByHeight: [0.7, 0.6] }),
    settings: [
      make('SettingView', { id: 'nozzle', title: 'Nozzle', value: '250 °C', instead: null }),
    ],
    ...more,
  })

const change = (more = {}) =>
  make('ChangeView', {
    bedTemperatureC: null,
    chamberTemperatureC: null,
    draft: null,
    fanPercent: null,
    squish: null,
    brimMm: null,
    padDiameterMm: null,
    padLayers: null,
    raftMarginMm: null,
    washed: false,
    interfaceLayer: null,
    plateKind: null,
    cornerRadiusMm: null,
    lengthMm: null,
    widthMm: null,
    heightMm: null,
    ...more,
  })

describe('a verdict', () => {
  it('says what lets go first, and danger before all', () => {
    expect(verdict(sheet(hold(0.4)))).toBe('stays flat')
    expect(verdict(sheet(hold(0.8)))).toBe('may come loose')
    expect(verdict(sheet(hold(1.2)))).toBe('corners lift at 8 mm')
    expect(verdict(sheet(hold(0.5, 1.3)))).toBe('lifts the plate')
    expect(verdict(sheet(hold(0.5, 0.2, 1.7)))).toBe('can be pushed over')
    expect(verdict(sheet(hold(0.4, 0.1, 0, { danger: 'It tears.' })))).toContain('tear the plate')
  })

  it('carries its uncertainty', () => {
    expect(unsure(1, 35)).toBe('1.00 ± 0.35')
    expect(unsure(0, 35)).toBe('0.00 ± 0.00')
    expect(worst(hold(0.5, 1.3, 0.2))).toBe(1.3)
  })
})

describe('a remedy', () => {
  it('changes only what it says, and leaves work at the bench to people', () => {
    const after = taken(draft(), change({ brimMm: 5, cornerRadiusMm: 4, washed: true }))
    expect(after.choices.brimMm).toBe(5)
    expect(after.choices.bedTemperatureC).toBeNull()
    expect(after.part?.cornerRadiusMm).toBe(4)
    expect(benchWork(change({ washed: true, interfaceLayer: 'pva_glue' }))).toEqual([
      'wash',
      'spread',
    ])
    expect(benchWork(change({ brimMm: 5 }))).toEqual([])
  })
})

describe('a part that is laid down', () => {
  it('has other sides and stands on no thin foot any more', () => {
    const standing = { ...newPart(), lengthMm: 12, widthMm: 8, heightMm: 120, baseWidthMm: 2 }
    const laid = change({ lengthMm: 120, widthMm: 12, heightMm: 8 })
    const after = taken({ ...draft(), part: standing }, laid)
    expect(after.part).toMatchObject({
      lengthMm: 120,
      widthMm: 12,
      heightMm: 8,
      walls: 3,
      baseWidthMm: null,
    })
    expect(isChoice(laid)).toBe(true)
    expect(isChoice(change({ washed: true, interfaceLayer: 'pva_glue' }))).toBe(false)
    expect(taken({ ...draft(), part: standing }, change({ brimMm: 5 })).part).toEqual(standing)
  })
})

describe('a lever', () => {
  it('moves a choice or the part', () => {
    expect(moved(draft(), 'brim', 3.3)?.choices.brimMm).toBe(3.5)
    expect(moved(draft(), 'pads', 0.4)?.choices.padLayers).toBe(0)
    expect(moved(draft(), 'pads', 20)?.choices.padLayers).toBe(2)
    expect(moved(draft(), 'draught', 40)?.choices.draft).toBe(0.4)
    expect(moved(draft(), 'walls', 4.2)?.part?.walls).toBe(4)
    expect(moved(draft(), 'infill', 33.3)?.part?.infillPercent).toBe(33)
    expect(moved(draft(), 'clean', 50)).toBeNull()
  })

  it('is sent without what nobody said', () => {
    const sent = requestOf({ ...draft(), choices: { ...NO_CHOICES, brimMm: 5, padDiameterMm: 20 } })
    expect(sent.choices).toEqual({
      brimMm: 5,
      pads: { diameterMm: 20, layers: 2 },
      together: [],
    })
    expect(sent.part).not.toHaveProperty('baseWidthMm')
    expect(sent).not.toHaveProperty('feedId')
  })

  it('shows where it stands and moves by its slider', async () => {
    const curve = make('CurveView', {
      id: 'brim',
      title: 'Brim',
      unit: 'mm',
      present: 3,
      values: [0, 6, 12],
      adhesion: [1.2, 0.8, 0.6],
      plate: [0.2, 0.2, 0.2],
      tip: [0, 0, 0],
    })
    const row = mount(LeverRow, { props: { curve }, global: plain })
    const slider = row.get('input')
    expect(slider.attributes('aria-valuetext')).toBe('3.0 mm, hold 1.00')
    expect(row.text()).toContain('down to 0.60')
    await slider.setValue('6')
    expect(row.emitted('moved')?.[0]).toEqual([6])

    await row.setProps({ pending: true, curve: { ...curve, present: 4 } })
    expect(slider.element.value).toBe('6')
    expect(row.text()).toContain('6.0 mm')
    await row.setProps({ pending: false, curve: { ...curve, present: 5.5 } })
    expect(slider.element.value).toBe('5.5')
  })
})

describe('drawings', () => {
  it('draw a ring beyond its disc where a corner lifts', () => {
    const of = (ratio: number) =>
      mount(BaseFromAbove, {
        props: {
          part: newPart(),
          choices: { ...NO_CHOICES, brimMm: 5 },
          sheet: sheet(hold(ratio)),
        },
        global: plain,
      })
    const loose = of(1.4)
    const ring = (wrapper: typeof loose) => Number(wrapper.get('.pull').attributes('r'))
    const disc = Number(loose.get('.grip').attributes('r'))
    expect(ring(loose)).toBeGreaterThan(disc)
    expect(ring(of(0.5))).toBeLessThan(disc)
    expect(loose.findAll('.brim')).toHaveLength(1)
    expect(loose.text()).toContain('brim of 5 mm')
  })

  it('mark the height at which it lifts', () => {
    const chart = mount(OverHeight, {
      props: { sheet: sheet(hold(1.4)), heightMm: 10 },
      global: plain,
    })
    expect(chart.text()).toContain('lifts at 8 mm')
    const safe = mount(OverHeight, { props: { sheet: sheet(), heightMm: 10 }, global: plain })
    expect(safe.text()).not.toContain('lifts at')
  })

  it('show the water of the first and last metre against the limit', () => {
    const view = make('JobSheetView', {
      metres: [
        { hour: 0, percent: 0.2 },
        { hour: 4, percent: 0.4 },
      ],
      printLimitPercent: 0.35,
      waterVerdict: 'Dry it first.',
      hangsIn: 'Press',
    })
    const shown = mount(WaterOfJob, { props: { view }, global: plain })
    expect(shown.get('p').classes()).toContain('call')
    expect(shown.text()).toContain('Hanging in Press')
  })

  it('show a factor before and after', () => {
    const band = mount(FactorBand, {
      props: {
        title: 'Grips',
        before: { median: 1, low: 0.7, high: 1.5 },
        after: { median: 0.6, low: 0.5, high: 0.7 },
      },
      global: plain,
    })
    expect(band.text()).toContain('0.60')
    expect(band.get('svg').attributes('aria-label')).toContain('before 0.70 to 1.50')
  })
})

describe('checks before start', () => {
  const gates = [
    make('GateView', { id: 'fumes', hard: true, met: false, words: 'Styrene.', remedy: 'Air it.' }),
    make('GateView', { id: 'bond', hard: false, met: false, words: 'Weak.', remedy: null }),
    make('GateView', { id: 'size', hard: true, met: true, words: 'It fits.', remedy: null }),
  ]

  it('let a hard one be passed only with a reason, which goes along', async () => {
    const checks = mount(StartChecks, {
      props: { sheet: sheet(hold(0.4), { gates }), startable: true, running: false, refused: null },
      global: plain,
    })
    const start = checks.get('[data-testid="start"]')
    expect(start.attributes('disabled')).toBeDefined()
    await checks.get('input[type="text"]').setValue('window open')
    await flushPromises()
    expect(start.attributes('disabled')).toBeUndefined()
    await start.trigger('click')
    expect(checks.emitted('start')?.[0]).toEqual([[{ gate: 'fumes', reason: 'window open' }]])
  })

  it('say where Start is why it was refused', () => {
    const refused = new Problem('Not started', 'K7F4 is in the Bench dryer.', [])
    const checks = mount(StartChecks, {
      props: { sheet: sheet(), startable: true, running: false, refused },
      global: plain,
    })
    const start = checks.get('[data-testid="start"]').element
    const alert = checks.get('[role="alert"]')
    expect(alert.text()).toContain('K7F4 is in the Bench dryer')
    expect(start.nextElementSibling).toBe(alert.element)
  })

  it('offer no start while it prints', () => {
    const checks = mount(StartChecks, {
      props: { sheet: sheet(), startable: true, running: true, refused: null },
      global: plain,
    })
    expect(checks.find('[data-testid="start"]').exists()).toBe(false)
  })
})

it('settings can be pasted as text', () => {
  expect(asText('lid', sheet())).toBe('lid, ABS\nNozzle: 250 °C')
})
