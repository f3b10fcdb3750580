import { config, flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import DeviceMapping from '@/stations/devices/DeviceMapping.vue'
import HygrometerCheck from '@/stations/devices/HygrometerCheck.vue'
import LabelDialog from '@/parts/LabelDialog.vue'
import WeighDialog from '@/parts/WeighDialog.vue'
import { useShelf } from '@/stores/shelf'
import { make } from './contract'

interface Asked {
  method: string
  path: string
  body: string
}

const asked: Asked[] = []

/** Answers each path with what the table holds for it; unknown paths are not found. */
function serve(table: Record<string, unknown>) {
  vi.stubGlobal(
    'fetch',
    vi.fn(async (request: Request) => {
      const path = new URL(request.url).pathname
      asked.push({ method: request.method, path, body: await request.clone().text() })
      const found = table[path]
      return new Response(JSON.stringify(found ?? { title: 'Not found', detail: path }), {
        status: found === undefined ? 404 : 200,
        headers: { 'Content-Type': 'application/json' },
      })
    }),
  )
}

/** Plain stand-ins for what Element Plus brings: only their values matter here. */
const slotted = { template: '<div><slot /></div>' }
config.global.components = {
  ElDialog: slotted,
  ElSelect: slotted,
  ElOption: { template: '<i />' },
  ElDatePicker: { template: '<i />' },
  ElInput: { template: '<input />' },
  ElInputNumber: {
    emits: ['update:modelValue'],
    template: `<input @change="$emit('update:modelValue', Number($event.target.value))" />`,
  },
}

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  asked.length = 0
  localStorage.clear()
  useShelf().view = make('ShelfView', {
    nowS: 1_800_000_000,
    frameHours: [0],
    places: [
      make('ShelfPlace', { place: make('PlaceInfo', { id: 1, name: 'Workshop', kind: 'ROOM' }) }),
    ],
  })
})

afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const SPOOL = make('SpoolView', { code: 'K7F4', material: 'PLA', colourName: 'moss' })
const EMPTY = { low: 210, typical: 215, high: 220 }
const SCALE = { id: 4, name: 'Bench scale', kind: 'SCALE' }
const SCALE_PATH = '/api/devices/4/scale'

describe('weighing from a scale', () => {
  async function weighing(reading: unknown) {
    serve({ '/api/devices': [SCALE], [SCALE_PATH]: reading })
    const dialog = mount(WeighDialog, { props: { spool: SPOOL, emptyReelG: EMPTY } })
    await flushPromises()
    return dialog
  }

  it('takes the mass at which the scale rests', async () => {
    const dialog = await weighing({ massG: 815.04, stableG: 815.04, stepG: 0.5, atMs: 1 })
    expect(dialog.get('[data-testid="scale"]').text()).toContain('rests at 815.0 g')
    expect((dialog.get('#gross').element as HTMLInputElement).value).toBe('815')
    expect(dialog.text()).toContain('600 g of filament (595 to 605')
    dialog.unmount()
  })

  it('waits while it moves or is silent, and leaves what was typed alone', async () => {
    const moving = await weighing({ massG: 500.2, stableG: null, stepG: 0.5, atMs: 1 })
    await moving.get('#gross').setValue('333')
    expect(moving.get('[data-testid="scale"]').text()).toContain('not at rest')
    expect((moving.get('#gross').element as HTMLInputElement).value).toBe('333')
    moving.unmount()
    const silent = await weighing({ massG: null, stableG: null, stepG: 0.5, atMs: null })
    expect(silent.get('[data-testid="scale"]').text()).toContain('silent')
    silent.unmount()
  })

  it('does not take the same resting mass twice over what was typed since', async () => {
    const dialog = await weighing({ massG: 815, stableG: 815, stepG: 0.5, atMs: 1 })
    await dialog.get('#gross').setValue('820')
    await vi.advanceTimersByTimeAsync(2_000)
    expect(asked.filter((each) => each.path === SCALE_PATH).length).toBeGreaterThan(1)
    expect((dialog.get('#gross').element as HTMLInputElement).value).toBe('820')
    dialog.unmount()
  })

  it('stops asking once it is closed', async () => {
    const dialog = await weighing({ massG: 815, stableG: 815, stepG: 0.5, atMs: 1 })
    dialog.unmount()
    const before = asked.length
    await vi.advanceTimersByTimeAsync(5_000)
    expect(asked.length).toBe(before)
  })

  it('asks once of a mass that cannot well be, and leaves a usual one alone', async () => {
    serve({ '/api/devices': [] })
    const spool = {
      ...SPOOL,
      expectedGrossG: 905,
      remainingG: { ...SPOOL.remainingG, typical: 690 },
    }
    const dialog = mount(WeighDialog, { props: { spool, emptyReelG: EMPTY } })
    await flushPromises()
    const sent = () => asked.filter((each) => each.path.endsWith('/weighings')).length
    const record = async (mass: string) => {
      await dialog.get('#gross').setValue(mass)
      await dialog.get('form').trigger('submit')
      await flushPromises()
    }
    await record('1120')
    expect(dialog.get('[data-testid="doubt"]').text()).toContain(
      '215 g more than the 905 g expected',
    )
    expect(sent()).toBe(0)
    await dialog.get('form').trigger('submit')
    await flushPromises()
    expect(sent()).toBe(1)
    await record('330')
    expect(dialog.get('[data-testid="doubt"]').text()).toContain('Was so much used')
    expect(sent()).toBe(1)
    await record('850')
    expect(dialog.find('[data-testid="doubt"]').exists()).toBe(false)
    expect(sent()).toBe(2)
    dialog.unmount()
  })

  it('asks where the mass is that of another spool beside the scale', async () => {
    serve({
      '/api/devices': [{ ...SCALE, placeId: 9 }],
      [SCALE_PATH]: { massG: 904.7, stableG: 904.7, stepG: 0.1, atMs: 1 },
    })
    const other = make('SpoolView', { code: '4XHJ', placeId: 9, expectedGrossG: 905 })
    useShelf().view = make('ShelfView', {
      places: [
        make('ShelfPlace', { place: make('PlaceInfo', { id: 9, name: 'Bench', kind: 'ROOM' }) }),
      ],
      spools: [SPOOL, other],
    })
    const dialog = mount(WeighDialog, {
      props: { spool: { ...SPOOL, placeId: 3, expectedGrossG: 1120 }, emptyReelG: EMPTY },
    })
    await flushPromises()
    await dialog.get('form').trigger('submit')
    await flushPromises()
    expect(dialog.get('[data-testid="doubt"]').text()).toContain('Bench, where 4XHJ')
    expect(asked.some((each) => each.path.endsWith('/weighings'))).toBe(false)
    dialog.unmount()
  })

  it('needs no scale', async () => {
    serve({ '/api/devices': [] })
    const dialog = mount(WeighDialog, { props: { spool: SPOOL } })
    await flushPromises()
    expect(dialog.find('[data-testid="scale"]').exists()).toBe(false)
    await dialog.get('form').trigger('submit')
    expect(dialog.text()).toContain('a number of grams')
    dialog.unmount()
  })
})

describe('labels', () => {
  it('link to a sheet with the codes, the grid and the labels used up', async () => {
    serve({
      '/api/label-sheets': [
        { id: 'A4_3X8', title: 'A4', perPage: 24 },
        { id: 'SINGLE_62X29', title: 'Single', perPage: 1 },
      ],
    })
    const dialog = mount(LabelDialog, { props: { codes: ['K7F4', 'K9AC'] } })
    await flushPromises()
    const query = () =>
      new URL(dialog.get('[data-testid="labels-pdf"]').attributes('href')!, 'http://x').searchParams
    expect(query().get('codes')).toBe('K7F4,K9AC')
    expect(query().get('sheet')).toBe('A4_3X8')
    expect(query().get('skip')).toBe('0')
    const link = dialog.get('[data-testid="labels-pdf"]')
    link.element.addEventListener('click', (event) => event.preventDefault())
    await link.trigger('click')
    expect(localStorage.getItem('mind-spool-label-sheet')).toBe('A4_3X8')
  })
})

describe('mapping a device', () => {
  const MQTT = make('MqttView', {
    topics: [
      { topic: 'b/scale', messages: 2, lastAtMs: 1, lastPayload: '815' },
      {
        topic: 'a/air',
        messages: 5,
        lastAtMs: 1,
        lastPayload: '{"temp": 21.5, "rh": 45, "ts": 1760000000, "battery": 3.1}',
      },
    ],
  })

  it('guesses what the numbers are and sends only those that are used', async () => {
    serve({ '/api/devices': { id: 9 } })
    const mapping = mount(DeviceMapping, { props: { mqtt: MQTT } })
    const topics = mapping.findAll('.topics button')
    expect(topics.map((each) => each.get('.code').text())).toEqual(['a/air', 'b/scale'])
    await topics[0]!.trigger('click')
    expect(mapping.get('[data-testid="raw-message"]').text()).toContain('battery')
    await mapping.get('form').trigger('submit')
    await flushPromises()
    const sent = JSON.parse(asked.find((each) => each.method === 'POST')!.body)
    expect(sent.kind).toBe('HYGROMETER')
    expect(sent.channels).toEqual([
      { topicFilter: 'a/air', pointer: '/temp', unit: 'CELSIUS', timePointer: '/ts' },
      { topicFilter: 'a/air', pointer: '/rh', unit: 'PERCENT', timePointer: '/ts' },
    ])
    expect(mapping.emitted('done')).toHaveLength(1)
  })

  it('asks for a unit where the number does not say', async () => {
    const mapping = mount(DeviceMapping, { props: { mqtt: MQTT } })
    await mapping.findAll('.topics button')[1]!.trigger('click')
    expect(mapping.get('button.primary').attributes('disabled')).toBeDefined()
  })
})

describe('a check over salts', () => {
  it('shows at once what a reading then means', async () => {
    serve({
      '/api/salts': [{ id: 'NaCl', title: 'Table salt', humidityPercent: 75.4, caution: '' }],
      '/api/calc/hygrometer': {
        gain: 1,
        offsetPercent: -3.5,
        correctedPercent: 16.5,
        uncertaintyPercent: 5.6,
        verdict: 'ONE_POINT_ONLY',
      },
    })
    const check = mount(HygrometerCheck, { props: { device: make('DeviceView', { id: 3 }) } })
    await flushPromises()
    expect(check.find('[data-testid="check-outcome"]').exists()).toBe(false)
    await check.get('#salt-r-1').setValue('78.9')
    await check.get('#salt-r-1').trigger('change')
    await flushPromises()
    expect(check.get('[data-testid="check-outcome"]').text()).toContain('16.5 ± 5.6 %')
    expect(check.text()).toContain('too doubtful for a dry box')
    const body = JSON.parse(asked.find((each) => each.path === '/api/calc/hygrometer')!.body)
    expect(body.points).toEqual([{ salt: 'NaCl', temperatureC: 23, readingPercent: 78.9 }])
  })
})
