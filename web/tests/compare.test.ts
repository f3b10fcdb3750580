import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { against, marks, PROPERTIES } from '@/stations/materials/compare'

type Profile = Schemas['MaterialProfileView']

function profile(name: string, more: Partial<Profile> = {}): Profile {
  return {
    name,
    title: name,
    kind: name,
    waterPercent: 0.3,
    uptakeDays: 10,
    bendsC: 70,
    pullMPa: 10,
    stiffnessGPa: 2,
    stretchPercent: 10,
    nozzleC: 240,
    ...more,
  }
}
const property = (key: string) => PROPERTIES.find((each) => each.key === key)!

describe('materials on a line', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('lie from the least to the most, by factors where that is what counts', () => {
    const all = [
      profile('A', { waterPercent: 0.1 }),
      profile('B', { waterPercent: 1 }),
      profile('C', { waterPercent: 10, kind: 'A' }),
    ]
    const water = marks(all, property('water'))
    expect(water.map((mark) => mark.x)).toEqual([0, 50, 100].map((x) => expect.closeTo(x, 6)))
    expect(water.map((mark) => mark.own)).toEqual([false, false, true])
    const heat = marks(
      [profile('A', { bendsC: 50 }), profile('B', { bendsC: 60 }), profile('C', { bendsC: 90 })],
      property('bends'),
    )
    expect(heat[1]?.x).toBeCloseTo(25)
  })

  it('stand where they can when there is one, or all are the same', () => {
    expect(marks([profile('A')], property('water'))[0]?.x).toBe(0)
    expect(marks([profile('A'), profile('B')], property('bends')).map((m) => m.x)).toEqual([0, 0])
    expect(marks([], property('bends'))).toEqual([])
  })

  it('leave out those without a value', () => {
    const price = { ...property('water'), of: (it: Profile) => (it.name === 'A' ? 20 : null) }
    expect(marks([profile('A'), profile('B')], price).map((mark) => mark.name)).toEqual(['A'])
  })

  it('are held against one another in words', () => {
    expect(against(property('water'), 0.6, 0.2)).toBe('3.0 times as much')
    expect(against(property('water'), 0.2, 0.6)).toBe('3.0 times less')
    expect(against(property('water'), 0.2, 0.2)).toBe('about the same')
    expect(against(property('bends'), 90, 70)).toBe('20 °C higher')
    expect(against(property('bends'), 70, 70.2)).toBe('about the same')
  })
})
