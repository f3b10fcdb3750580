import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import BalanceCurve from '@/stations/materials/BalanceCurve.vue'
import CeilingScale from '@/stations/dry/CeilingScale.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import QuickBox from '@/parts/QuickBox.vue'
import TimeSlider from '@/parts/TimeSlider.vue'
import { Problem } from '@/api/client'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import { make } from './contract'

const SPOOL = {
  material: 'PETG',
  materialTitle: 'PETG',
  placeId: 1,
  ready: true,
  printLimitPercent: 0.2,
  hubRadiusMm: 40,
  windingRadiusMm: 80,
  rimRadiusMm: 100,
  colourHex: '#123456',
  frames: { outer: [0.1, 0.2], mean: [0.1, 0.1], core: [0.1, 0.1], rings: [[0.1], [0.2]] },
  printable: { state: 'BEYOND_FORECAST' as const, atS: null, headroomPercent: 0.1, jobG: 100 },
}

beforeEach(() => {
  setActivePinia(createPinia())
  useShelf().view = make('ShelfView', {
    nowS: 1_800_000_000,
    frameHours: [0, 336],
    places: [make('ShelfPlace', { place: make('PlaceInfo', { id: 1, name: 'Window shelf' }) })],
    spools: [
      make('SpoolView', { ...SPOOL, code: 'K7F4', colourName: 'slate' }),
      make('SpoolView', { ...SPOOL, code: 'K9AC', colourName: 'moss' }),
    ],
  })
})

describe('time slider', () => {
  it('is a slider for keys and for screen readers', async () => {
    const slider = mount(TimeSlider).get('[role="slider"]')
    expect(slider.attributes('aria-valuetext')).toBe('now')
    await slider.trigger('keydown', { key: 'ArrowRight' })
    expect(useTime().hoursAhead).toBe(1)
    await slider.trigger('keydown', { key: 'PageUp' })
    expect(slider.attributes('aria-valuenow')).toBe('25')
    await slider.trigger('keydown', { key: 'End' })
    expect(useTime().hoursAhead).toBe(336)
    await slider.trigger('keydown', { key: 'Home' })
    expect(slider.attributes('aria-valuetext')).toBe('now')
    await slider.trigger('keydown', { key: 'x' })
    expect(useTime().hoursAhead).toBe(0)
  })

  it('marks every midnight, Mondays more strongly, and leads back to now', async () => {
    const wrapper = mount(TimeSlider)
    expect(wrapper.findAll('.tick').length).toBeGreaterThanOrEqual(13)
    expect(wrapper.findAll('.tick.monday')).toHaveLength(2)
    expect(wrapper.find('.back').exists()).toBe(false)
    useTime().goTo(100)
    await flushPromises()
    await wrapper.get('.back').trigger('click')
    expect(useTime().isNow).toBe(true)
  })
})

describe('quick box', () => {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { template: '<p />' } }],
  })

  it('opens the spool that is scanned', async () => {
    const push = vi.spyOn(router, 'push')
    const wrapper = mount(QuickBox, { global: { plugins: [router] } })
    const input = wrapper.get('input')
    await input.trigger('focus')
    await input.setValue('k9ac')
    expect(wrapper.findAll('[role="option"]')).toHaveLength(1)
    await input.trigger('keydown', { key: 'Enter' })
    expect(push).toHaveBeenCalledWith('/spool/K9AC')
    expect((input.element as HTMLInputElement).value).toBe('')
  })

  it('walks through what it finds and says when it finds nothing', async () => {
    const push = vi.spyOn(router, 'push')
    const wrapper = mount(QuickBox, { global: { plugins: [router] } })
    const input = wrapper.get('input')
    await input.trigger('focus')
    await input.setValue('petg window')
    expect(wrapper.findAll('[role="option"]')).toHaveLength(2)
    await input.trigger('keydown', { key: 'ArrowDown' })
    expect(input.attributes('aria-activedescendant')).toBe('quick-K9AC')
    await input.trigger('keydown', { key: 'ArrowDown' })
    expect(input.attributes('aria-activedescendant')).toBe('quick-K7F4')
    await input.trigger('keydown', { key: 'ArrowUp' })
    await input.trigger('keydown', { key: 'Enter' })
    expect(push).toHaveBeenLastCalledWith('/spool/K9AC')
    await input.trigger('focus')
    await input.setValue('zzz')
    expect(wrapper.text()).toContain('No spool matches “zzz”')
    await input.trigger('keydown', { key: 'Escape' })
    expect(wrapper.text()).not.toContain('zzz')
  })
})

describe('problem', () => {
  it('names field, value, what is allowed and what to do', () => {
    const error = { field: 'widthMm', value: '0', allowed: '5 to 500 mm', advice: 'Measure it.' }
    const text = mount(ProblemNote, {
      props: { problem: new Problem('Refused', 'short', [error]) },
    }).text()
    for (const part of ['Refused', 'width, mm: 0', '5 to 500 mm', 'Measure it.']) {
      expect(text).toContain(part)
    }
    expect(
      mount(ProblemNote, { props: { problem: new Problem('Away', 'Try again.') } }).text(),
    ).toBe('Away.Try again.')
  })

  it('is made of whatever went wrong', () => {
    expect(Problem.of({ title: 'T', detail: 'D' }).title).toBe('T')
    expect(Problem.of({ detail: 'D' }).title).toBe('It did not work')
    expect(Problem.of(new TypeError('x')).title).toBe('No answer')
    const known = new Problem('a', 'b')
    expect(Problem.of(known)).toBe(known)
  })
})

describe('ceiling', () => {
  it('shows every limit and who sets it', () => {
    const wrapper = mount(CeilingScale, {
      props: {
        roomTemperatureC: 20,
        forecast: make('DryingAnswer', {
          setpointC: 45,
          ceiling: make('Ceiling', {
            temperatureC: 45,
            setBy: 'reel',
            limits: [
              make('CeilingLimit', { what: 'reel', temperatureC: 45, why: 'it softens' }),
              make('CeilingLimit', { what: 'filament', temperatureC: 85, why: 'it ages' }),
            ],
          }),
        }),
      },
    })
    expect(wrapper.get('li.sets').text()).toContain('reel, sets the ceiling')
    expect(wrapper.findAll('li')).toHaveLength(2)
    expect(wrapper.get('.set').text()).toBe('set 45 °C')
  })
})

describe('balance curve', () => {
  const points = [0, 50, 100].map((relativeHumidityPercent) => ({
    relativeHumidityPercent,
    moisturePercent: relativeHumidityPercent / 100,
  }))

  it('tells at which humidity the limits are reached', () => {
    const text = mount(BalanceCurve, { props: { points, target: 0.25, limit: 0.6 } }).text()
    expect(text).toContain('at 25 % humidity')
    expect(text).toContain('at 60 % humidity')
  })

  it('says when a limit is never reached', () => {
    const text = mount(BalanceCurve, { props: { points, target: 0.5, limit: 2 } }).text()
    expect(text).toContain('never reached')
  })
})
