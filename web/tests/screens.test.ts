import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { pageAction } from '@/parts/pageKeys'
import HistoryRibbon from '@/stations/spool/HistoryRibbon.vue'
import LogImport from '@/stations/place/LogImport.vue'
import ReceiveStation from '@/stations/receive/ReceiveStation.vue'
import SpoolPage from '@/stations/spool/SpoolPage.vue'
import StoragePanel from '@/stations/place/StoragePanel.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import { make } from './contract'
import { ACT, plain, refuse, serve } from './pages'

const NOW_S = 1_800_000_000
const DAY_S = 86_400

/** The drawing itself is the library's; what it is given is looked at. */
vi.mock('vue-echarts', () => ({
  default: { name: 'VChart', props: ['option'], template: '<i />' },
}))

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const PLACES = [
  make('ShelfPlace', { place: make('PlaceInfo', { id: 1, name: 'Workshop', kind: 'ROOM' }) }),
  make('ShelfPlace', { place: make('PlaceInfo', { id: 2, name: 'Rack', kind: 'OPEN_SHELF' }) }),
]
const SHELF = make('ShelfView', { nowS: NOW_S, frameHours: [0, 168, 336], places: PLACES })

function spoolPage(more = {}) {
  return make('SpoolPage', {
    nowS: NOW_S,
    frameHours: [0, 336],
    arrivedS: NOW_S - 30 * DAY_S,
    spool: make('SpoolView', {
      code: 'K7F4',
      material: 'PETG',
      materialTitle: 'PETG',
      colourName: 'moss',
      placeId: 2,
      printLimitPercent: 0.2,
      dryTargetPercent: 0.08,
      frames: {
        outer: [0.31, 0.35],
        mean: [0.22, 0.3],
        core: [0.12, 0.2],
        rings: [
          [0.1, 0.3],
          [0.2, 0.3],
        ],
      },
    }),
    past: {
      timeS: [NOW_S - DAY_S, NOW_S],
      outer: [0.3, 0.31],
      mean: [0.2, 0.22],
      core: [0.1, 0.12],
    },
    forecast: {
      timeS: [NOW_S, NOW_S + DAY_S],
      outer: [0.31, 0.33],
      mean: [0.22, 0.24],
      core: [0.12, 0.14],
    },
    air: { timeS: [NOW_S], temperatureC: [21], relativeHumidityPercent: [48] },
    facts: [
      make('FactView', {
        id: 1,
        actId: 11,
        kind: 'RECEIVED',
        atS: NOW_S - 30 * DAY_S,
        what: 'received into Rack',
      }),
      make('FactView', {
        id: 2,
        actId: 12,
        kind: 'WEIGHED',
        atS: NOW_S - DAY_S,
        what: 'weighed, 812.5 g gross',
        grossMassG: 812.5,
        person: 'Ines',
        undone: true,
      }),
    ],
    ...more,
  })
}

describe('the page of a spool', () => {
  async function page() {
    const sent = serve({ '/api/shelf': SHELF, '/api/spools/K7F4': spoolPage() })
    await useShelf().read()
    const shown = mount(SpoolPage, {
      props: { code: 'K7F4' },
      global: {
        ...plain,
        stubs: { ...plain.stubs, HistoryRibbon: true },
        components: {
          ...plain.components,
          ElPopover: { template: '<div><slot name="reference" /></div>' },
        },
      },
    })
    await flushPromises()
    return { shown, sent }
  }

  it('says how wet it is by depth', async () => {
    const { shown } = await page()
    const value = (depth: string) => shown.get(`[data-testid=moisture-${depth}]`).text()
    expect(value('outer')).toContain('0.310 %')
    expect(value('mean')).toContain('0.220 %')
    expect(value('core')).toContain('0.120 %')
    expect(shown.get('h1').text()).toBe('K7F4 PETG moss')
    shown.unmount()
  })

  it('keeps what was undone in its record, to be done again', async () => {
    const { shown, sent } = await page()
    const rows = shown.findAll('.record tr')
    expect(rows[0]?.text()).toContain('weighed, 812.5 g gross')
    expect(rows[0]?.text()).toContain('Ines')
    expect(rows[0]?.classes()).toContain('undone')
    expect(rows[1]?.text()).toContain('received into Rack')
    await rows[0]?.get('button').trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.path === '/api/acts/12/redo')).toBe(true)
    shown.unmount()
  })

  it('is weighed and moved by keys while it is shown', async () => {
    const { shown } = await page()
    pageAction('w')?.()
    await flushPromises()
    expect(shown.text()).toContain('Weigh K7F4')
    shown.unmount()
    expect(pageAction('w')).toBeUndefined()
  })
})

describe('the ribbon of history and forecast', () => {
  it('names every curve, and shows nothing without a unit', () => {
    serve({})
    useShelf().view = SHELF
    const ribbon = mount(HistoryRibbon, { props: { page: spoolPage() } })
    const option = ribbon.getComponent({ name: 'VChart' }).props('option') as {
      series: { type: string; name?: string; data: unknown[] }[]
      xAxis: { min: number; max: number }[]
    }
    const curves = option.series.filter((each) => each.type === 'line' && each.data.length > 0)
    expect(new Set(curves.map((each) => each.name))).toEqual(
      new Set(['humidity', 'temperature', 'outer wraps', 'mean', 'core']),
    )
    const weighed = option.series.find((each) => each.type === 'scatter')
    expect(weighed?.data).toHaveLength(0)
    expect(option.xAxis[2]?.min).toBe(1000 * (NOW_S - 30 * DAY_S))
    expect(option.xAxis[2]?.max).toBe(1000 * (NOW_S + 14 * DAY_S))
    expect(ribbon.text()).toContain('print limit 0.200 %')
    expect(ribbon.text()).toContain('dry target 0.080 %')
  })
})

describe('receiving', () => {
  const PREVIEW = make('ReceivePreview', {
    consequence: 'Dry enough to print at once.',
    startMoisturePercent: 0.05,
    printLimitPercent: 0.2,
    windingRadiusMm: 80,
  })

  async function station(answers: Record<string, unknown>) {
    vi.useFakeTimers({ shouldAdvanceTime: true })
    const sent = serve({ '/api/shelf': SHELF, '/api/spools/preview': PREVIEW, ...answers })
    await useShelf().read()
    const shown = mount(ReceiveStation, {
      global: {
        ...plain,
        components: {
          ...plain.components,
          ElInput: {
            props: ['modelValue'],
            emits: ['update:modelValue'],
            template:
              '<input :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" />',
          },
          ElPopover: { template: '<div><slot name="reference" /></div>' },
        },
      },
    })
    await vi.advanceTimersByTimeAsync(400)
    await flushPromises()
    return { shown, sent }
  }

  it('says before it is stored what it will mean', async () => {
    const { shown, sent } = await station({})
    expect(shown.get('[data-testid=consequence]').text()).toBe('Dry enough to print at once.')
    expect(sent.some((each) => each.path === '/api/deliveries')).toBe(false)
    shown.unmount()
  })

  it('is not set off by Enter in a field, only by its button', async () => {
    const { shown, sent } = await station({ 'POST /api/deliveries': { codes: ['K7F4', 'K9AC'] } })
    const enter = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })
    shown.get('#colour').element.dispatchEvent(enter)
    expect(enter.defaultPrevented).toBe(true)
    await shown.get('#colour').setValue('moss')
    await shown.get('[data-testid=one-more]').trigger('click')
    await shown.get('form').trigger('submit')
    await flushPromises()
    const stored = sent.find((each) => each.path === '/api/deliveries')?.body
    expect(stored).toMatchObject({ common: { colourName: 'moss', placeId: 2 }, reels: [{}, {}] })
    expect(shown.get('[data-testid=received]').text()).toContain('K7F4')
    expect(useActs().done?.act).toBe(ACT)
    shown.unmount()
  })

  it('names the field that is refused and stores nothing', async () => {
    const { shown } = await station({
      'POST /api/deliveries': refuse('colourName', 'missing', '1 to 60 characters', 'A word.'),
    })
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(shown.text()).toContain('1 to 60 characters')
    expect(shown.find('[data-testid=received]').exists()).toBe(false)
    shown.unmount()
  })
})

describe('how long a box stays dry', () => {
  const STORAGE = make('StorageView', {
    limitPercent: 20,
    months: 6,
    typicalDays: 180,
    advice: 'Good for half a year.',
    facts: [make('ContainerFactView', { id: 3, actId: 9, atS: NOW_S, what: 'opened for 10 min' })],
  })

  it('records an opening, and lists what was done to be undone', async () => {
    const sent = serve({ '/api/places/3/storage': STORAGE })
    const panel = mount(StoragePanel, { props: { placeId: 3 }, global: plain })
    await flushPromises()
    expect(panel.text()).toContain('opened for 10 min')
    await panel
      .findAll('button')
      .find((each) => each.text() === 'It was open')
      ?.trigger('click')
    await panel.get('#open-minutes').setValue('25')
    await panel.get('form.act').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')).toMatchObject({
      path: '/api/places/3/openings',
      body: { minutes: 25 },
    })
    expect(panel.emitted('changed')).toHaveLength(1)
    await panel.get('details button').trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.path === '/api/acts/9/undo')).toBe(true)
  })
})

describe('importing a log', () => {
  it('sends the file itself, and says what is wrong with one that is none', async () => {
    const forms: FormData[] = []
    vi.stubGlobal('fetch', async (request: Request) => {
      forms.push(await request.formData())
      const problem = { title: 'No log', detail: 'This is binary.', errors: [] }
      return new Response(JSON.stringify(problem), {
        status: 422,
        headers: { 'Content-Type': 'application/problem+json' },
      })
    })
    const log = mount(LogImport, { props: { placeId: 1 }, global: plain })
    const input = log.get('[data-testid=log-file]')
    const file = new File(['a;b'], 'log.csv', { type: 'text/csv' })
    Object.defineProperty(input.element, 'files', { value: [file] })
    await input.trigger('change')
    await vi.waitFor(() => expect(log.text()).toContain('This is binary.'), 60_000)
    expect((forms[0]?.get('file') as File | null)?.name).toBe('log.csv')
  })
})
