import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import TimeAxis from '@/parts/TimeAxis.vue'
import { noteText } from '@/parts/chart'
import { moisture, temperature } from '@/parts/format'
import { TimeScale } from '@/parts/timeScale'

const HOUR_S = 3600
/** A Saturday noon by the clock on the wall. */
const NOON_S = new Date(2026, 10, 28, 12).getTime() / 1000

beforeEach(() => setActivePinia(createPinia()))

describe('a scale of time', () => {
  const scale = new TimeScale(NOON_S, NOON_S + 48 * HOUR_S, 600)

  it('leads from times to places and back', () => {
    expect(scale.x(NOON_S + 12 * HOUR_S)).toBe(150)
    expect(scale.percent(NOON_S + 12 * HOUR_S)).toBe(25)
    expect(scale.atHour(12)).toBe(NOON_S + 12 * HOUR_S)
    expect(scale.hourOf(NOON_S + 6 * HOUR_S)).toBe(6)
    expect(scale.hoursOf(150)).toBe(12)
  })

  it('stops at its ends', () => {
    expect(scale.x(NOON_S - 1)).toBe(0)
    expect(scale.x(NOON_S + 90 * HOUR_S)).toBe(600)
  })

  it('never divides by an empty span', () => {
    const empty = new TimeScale(NOON_S, NOON_S)
    expect(empty.x(NOON_S)).toBe(0)
    expect(empty.hours(5).map((mark) => mark.text)).toEqual(['0 h'])
    expect(empty.midnights()).toEqual([])
  })

  it('knows every midnight, and the first of a week', () => {
    const days = new TimeScale(NOON_S, NOON_S + 72 * HOUR_S).midnights()
    expect(days.map((day) => day.text)).toEqual(['Sun', 'Mon', 'Tue'])
    expect(days.map((day) => day.strong)).toEqual([false, true, false])
    expect(days[0]?.percent).toBeCloseTo(100 / 6)
  })

  it('marks round hours, as many as there is room for', () => {
    expect(scale.clock(NOON_S, 4).map((mark) => mark.text)).toEqual([
      'Sat 12:00',
      'Sun 00:00',
      'Sun 12:00',
      'Mon 00:00',
    ])
    expect(scale.hours(5).map((mark) => mark.text)).toEqual(['0 h', '12 h', '24 h', '36 h', '48 h'])
    const year = new TimeScale(NOON_S, NOON_S + 365 * 24 * HOUR_S)
    expect(year.clock(NOON_S, 8).length).toBeLessThanOrEqual(8)
    expect(year.clock(NOON_S, 8)[1]?.text).toMatch(/^[A-Z][a-z]{2} 20\d\d$/)
  })

  it('lets no name run out at the end, nor into another', () => {
    const scale = new TimeScale(NOON_S, NOON_S + 85 * HOUR_S)
    const axis = mount(TimeAxis, { props: { scale, nowS: NOON_S } })
    const last = axis.findAll('span').at(-1)
    expect(last?.classes()).toContain('late')
    expect(last?.text()).toBe('2 Dec')
    const crowded = new TimeScale(NOON_S, NOON_S + 6.2 * HOUR_S)
    const close = mount(TimeAxis, { props: { scale: crowded, nowS: NOON_S } })
    expect(close.findAll('span').at(-1)?.text()).toBe('')
  })
})

describe('the note at the pointer', () => {
  const write = { core: moisture, air: (celsius: number) => temperature(celsius, 1) }
  const heading = (at: number) => `at ${at}`

  it('names what it shows, with its unit, and leaves out what has no value', () => {
    const items = [
      { seriesName: 'series3', value: [7, 1797009370000] },
      { seriesName: 'core', value: [7, 0.1234], axisValue: 8 },
      { seriesName: 'air', value: [7, 21.53] },
      { seriesName: 'core', value: [7, null] },
      { seriesName: 'air', value: 'none' },
    ]
    expect(noteText(items, write, heading)).toBe(
      'at 8<br>core: <b>0.123 %</b><br>air: <b>21.5 °C</b>',
    )
  })

  it('is not there where nothing is', () => {
    expect(noteText([{ seriesName: 'series3', value: [7, 1] }], write, heading)).toBe('')
    expect(noteText([], write, heading)).toBe('')
  })
})
