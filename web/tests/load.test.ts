import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import LoadLanes from '@/stations/dry/LoadLanes.vue'
import { chooseDryer, type DryerForm } from '@/stations/dry/dryerForm'
import type { Dryer } from '@/stores/dryers'

function spool(name: string, dryHours: number | null): Schemas['SpoolInLoad'] {
  return {
    name,
    ceiling: {
      temperatureC: 65,
      startC: 65,
      setBy: 'filament',
      limits: [],
      raisedBy: [],
      slow: '',
      risk: '',
      cautiousC: 50,
      refusal: '',
    },
    floorPercent: 0.03,
    targetPercent: 0.08,
    hoursToLimit: { outer: dryHours, mean: dryHours, core: dryHours },
    dryHours,
    sureHours: dryHours,
    nextWeighing: { hours: [3], narrowsTo: 0.5, scaleStepG: 0.1 },
    series: [0, 6, 12].map((hour) => ({
      hour,
      outerPercent: 0.2 - 0.01 * hour,
      meanPercent: 0.22 - 0.01 * hour,
      corePercent: 0.23 - 0.01 * hour,
      lowPercent: 0.18 - 0.01 * hour,
      highPercent: 0.26 - 0.01 * hour,
    })),
  }
}

const FORECAST: Schemas['LoadAnswer'] = {
  setpointC: 65,
  airTemperatureC: 65,
  startC: 65,
  heldBackBy: 0,
  withoutItC: 65,
  lastHours: null,
  sureLastHours: null,
  lastHoursTakingOut: null,
  energyKWh: 0.8,
  spools: [spool('AAAA', 9), spool('BBBB', null), spool('CCCC', 0)],
  air: [
    { hour: 0, relativeHumidityPercent: 40 },
    { hour: 12, relativeHumidityPercent: 6 },
  ],
}

describe('lanes of a load', () => {
  setActivePinia(createPinia())
  const lanes = mount(LoadLanes, {
    props: { forecast: FORECAST, spools: {} },
    global: { stubs: { WhyNumber: { template: '<span><slot /></span>' } } },
  })

  it('say for each spool when it is dry, or that it never is', () => {
    const words = lanes.findAll('.words').map((each) => each.text())
    expect(words[0]).toContain('after 9 h')
    expect(words[1]).toContain('not dry to the core within 12 h')
    expect(words[2]).toBe('dry already')
  })

  it('mark the hour on one scale for all', () => {
    const marks = lanes.findAll('.done').map((each) => Number(each.attributes('x1')))
    expect(marks).toEqual([750, 0])
    expect(lanes.findAll('.axis span').map((each) => each.text())).toContain('12 h')
  })

  it('shade what could be taken out', () => {
    const free = lanes.findAll('.free').map((each) => Number(each.attributes('width')))
    expect(free).toEqual([250, 1000])
  })
})

describe('choosing a dryer', () => {
  it('takes its room and forgets the setpoint typed for another', () => {
    const form = { dryerId: 0, setpointC: 80, roomId: 1 } as DryerForm
    chooseDryer(form, 7, [{ placeId: 7, roomId: 4 } as Dryer])
    expect(form).toMatchObject({ dryerId: 7, setpointC: null, roomId: 4 })
    chooseDryer(form, 0, [])
    expect(form).toMatchObject({ dryerId: 0, roomId: 4 })
  })
})
