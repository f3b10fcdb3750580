import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import {
  ago,
  atMost,
  band,
  hours,
  inShownUnits,
  lowerFirst,
  moisture,
  setTo,
  temperature,
} from '@/parts/format'
import { searchSpools } from '@/parts/searchSpools'
import { standingAt } from '@/parts/spoolAtTime'
import { usePreferences } from '@/stores/preferences'
import type { Spool } from '@/stores/shelf'
import { make } from './contract'

function spool(code: string, material: string, colourName: string, placeId: number): Spool {
  return make('SpoolView', {
    code,
    material,
    materialTitle: material,
    colourName,
    placeId,
    ready: true,
    printLimitPercent: 0.2,
    printable: { state: 'UNTIL', atS: 5000, headroomPercent: 0.1, jobG: 100 },
  })
}

describe('numbers in words', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('keeps the decimals that tell moistures apart', () => {
    expect([0.0412, 0.264, 2.641, 13.2].map(moisture)).toEqual([
      '0.041 %',
      '0.264 %',
      '2.64 %',
      '13.2 %',
    ])
  })

  it('rounds limits to the safe side, and shows what is set as it is', () => {
    expect([64.5, 58.97, 60, 59.9999999].map(atMost)).toEqual(['64 °C', '58 °C', '60 °C', '60 °C'])
    expect([64.5, 58.97, 60].map(setTo)).toEqual(['64.5 °C', '58.9 °C', '60 °C'])
    usePreferences().fahrenheit = true
    expect(atMost(64.5)).toBe('148 °F')
    expect(inShownUnits('set to 64.5 °C, not 70 °C')).toBe('set to 148.1 °F, not 158 °F')
    // NIST SP 811: t/°F = 1.8 t/°C + 32, a difference of 1 K is one of 1.8 °F.
    expect(inShownUnits('a bed of 50 to 65 °C, not 70 °C')).toBe(
      'a bed of 122 to 149 °F, not 158 °F',
    )
    expect(inShownUnits('at 60, 65 or 70 °C')).toBe('at 140, 149 or 158 °F')
    expect(inShownUnits('after 2 h, 3 walls and 65 °C')).toBe('after 2 h, 3 walls and 149 °F')
    expect(inShownUnits('Raise it by 5 to 15 °C; 10 °C hotter')).toBe(
      'Raise it by 9 to 27 °F; 18 °F hotter',
    )
    expect(inShownUnits('11.5 ± 5.2 K above, 40 ± 2 °C')).toBe('20.7 ± 9.4 °F above, 104 ± 4 °F')
  })

  it('says hours as people do', () => {
    expect([0.4, 1, 9.5, 35.3, 84.8].map(hours)).toEqual([
      '24 min',
      '1 h',
      '9.5 h',
      '35.3 h',
      '3.5 days',
    ])
  })

  it('shows a range only where something is unknown', () => {
    const write = (value: number) => `${value} g`
    expect(band({ low: 5, typical: 5, high: 5 }, write)).toBe('5 g')
    expect(band({ low: 4, typical: 5, high: 7 }, write)).toBe('5 g (4 to 7)')
  })

  it('shows Fahrenheit on request', () => {
    expect(temperature(65)).toBe('65 °C')
    usePreferences().switchTemperature()
    expect(temperature(65)).toBe('149 °F')
  })

  it('tells how long ago', () => {
    expect([ago(0, 30), ago(0, 1200), ago(0, 7200), ago(0, 864_000)]).toEqual([
      'just now',
      '20 min ago',
      '2 h ago',
      '10 days ago',
    ])
  })
})

describe('finding a spool', () => {
  const all = [
    spool('K7F4', 'PETG', 'slate', 1),
    spool('M3TA', 'PLA', 'moss green', 2),
    spool('K9AC', 'PLA', 'petrol', 1),
  ]
  const place = (id: number) => (id === 1 ? 'Window shelf' : 'Box A')
  const codes = (text: string) => searchSpools(all, place, text).map((s) => s.code)

  it('by code, in any case and with blanks as a scanner may send them', () => {
    expect(codes('k7 f4')).toEqual(['K7F4'])
    expect(codes('K')).toEqual(['K7F4', 'K9AC', 'M3TA'].filter((c) => c.startsWith('K')))
  })

  it('by words of material, colour and place', () => {
    expect(codes('pla green')).toEqual(['M3TA'])
    expect(codes('window')).toEqual(['K7F4', 'K9AC'])
    expect(codes('pla window')).toEqual(['K9AC'])
    expect(codes('zinc')).toEqual([])
    expect(codes('  ')).toEqual([])
  })
})

describe('standing', () => {
  it('changes when the time shown passes the moment', () => {
    const petg = spool('K7F4', 'PETG', 'slate', 1)
    expect(standingAt(petg, 1000, 4000)?.past).toBe(false)
    expect(standingAt(petg, 1000, 6000)).toEqual({ past: true, text: 'past its print limit' })
    expect(standingAt({ ...petg, ready: false, printable: null }, 1000, 1000)).toBeNull()
  })
})

it('writes a title small within a sentence, but no abbreviation', () => {
  expect(lowerFirst('Wet filament')).toBe('wet filament')
  expect(lowerFirst('PTFE liner worn')).toBe('PTFE liner worn')
  expect(lowerFirst('Änderung')).toBe('änderung')
  expect(lowerFirst('')).toBe('')
  expect(lowerFirst('Set to 40 °C')).toBe('set to 40 °C')
})
