import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import ChoosePage from '@/stations/print/ChoosePage.vue'
import ComparePage from '@/stations/print/ComparePage.vue'
import MachinesPage from '@/stations/print/MachinesPage.vue'
import PlateForm from '@/stations/print/PlateForm.vue'
import PrinterForm from '@/stations/print/PrinterForm.vue'
import PrintStation from '@/stations/print/PrintStation.vue'
import RunPage from '@/stations/print/RunPage.vue'
import WaysTable from '@/stations/print/WaysTable.vue'
import { useShelf } from '@/stores/shelf'
import { make } from './contract'
import { plain, refuse, serve } from './pages'

const NOW_S = 1_800_000_000
const push = vi.fn()
vi.mock('vue-router', async (original) => ({
  ...(await original<typeof import('vue-router')>()),
  useRouter: () => ({ push }),
  useRoute: () => ({ query: {}, meta: {} }),
}))

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.useRealTimers()
  push.mockReset()
})

const run = (more = {}) =>
  make('RunView', {
    id: 9,
    jobId: 4,
    name: 'bracket',
    printer: 'Press',
    plate: 'Sheet A',
    code: 'K7F4',
    material: 'ABS',
    startedS: NOW_S - 3600,
    endsS: NOW_S + 3600,
    endedS: null,
    progressPercent: 50,
    outcome: null,
    outcomeTitle: null,
    ending: null,
    signs: [],
    overrides: [],
    note: null,
    runOut: false,
    ...more,
  })

const signs = [
  make('SignView', { id: 'corner-up', title: 'a corner came up', ending: 'CORNER_LIFTED' }),
  make('SignView', { id: 'strings', title: 'strings', ending: null }),
]

const choices = make('PrintChoicesView', {
  hotEnds: [{ id: 'LINED', title: 'lined with PTFE' }],
  nozzleMaterials: [{ id: 'BRASS', title: 'brass' }],
  chambers: [{ id: 'OPEN', title: 'open' }],
  practices: [],
  plateKinds: [{ id: 'glass_4', title: 'glass, 4 mm', usualHoldPressureKPa: 8 }],
  surfaces: [{ id: 'glass', title: 'glass' }],
  interfaceLayers: [
    { id: 'none', title: 'bare' },
    { id: 'pva_glue', title: 'PVA glue' },
  ],
})

const machine = make('MachineView', {
  hotEnd: 'LINED',
  nozzleMaterial: 'BRASS',
  chamber: 'OPEN',
  hotEndMaxC: 250,
  meltZoneMm: 12,
  nozzleDiameterMm: 0.4,
  bedMaxC: 80,
  bedLengthMm: 200,
  bedWidthMm: 200,
  heightMm: 200,
  chamberMaxC: 60,
  tunedPlateMassKg: 0.3,
  accelerationMmPerS2: 2000,
  meanPowerW: 100,
})
const printer = make('PrinterView', {
  placeId: 5,
  name: 'Press',
  machine,
  hotEndTitle: 'lined with PTFE',
  nozzleTitle: 'brass',
  chamberTitle: 'open',
  nozzleMaxC: 245,
  boreGrowthPercent: 12,
  lastMaterial: 'PLA',
  printedHours: 0,
  plateId: 3,
  version: 2,
})
const plate = make('PlateView', {
  id: 3,
  name: 'Glass',
  kind: 'glass_4',
  kindTitle: 'glass, 4 mm',
  surface: 'glass',
  surfaceTitle: 'glass',
  interfaceLayer: 'pva_glue',
  interfaceLayerTitle: 'PVA glue',
  coatPrintsLeft: 0,
  usualHold: true,
  holdPressureKPa: 8,
  magnetsMaxC: null,
  massKg: 0.9,
  cleanliness: 0.8,
  prints: 12,
  printsSinceWash: 5,
  version: 1,
})

function button(page: ReturnType<typeof mount>, words: string) {
  return page.findAll('button').find((each) => each.text().startsWith(words))!
}

describe('the station', () => {
  it('says what runs, what is free, and what is to come', async () => {
    serve({
      '/api/prints': {
        nowS: NOW_S,
        running: [run()],
        ended: [
          run({ id: 8, endedS: NOW_S - 99, outcome: 'FAILED', outcomeTitle: 'failed', usedG: 12 }),
        ],
        signs,
      },
      '/api/printers': [printer, { ...printer, placeId: 6, name: 'Other' }],
      '/api/jobs': [
        make('JobView', { id: 4, name: 'bracket', startedS: NOW_S }),
        make('JobView', { id: 7, name: 'lid', startedS: null, someTime: true, code: 'ABCD' }),
      ],
    })
    const page = mount(PrintStation, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('One print running, 2 printers free')
    expect(page.text()).toContain('50 %')
    const rows = page.findAll('tbody tr').map((row) => row.text())
    expect(rows[0]).toContain('lid')
    expect(rows[0]).toContain('some time this week')
    expect(rows[1]).toContain('failed')
  })

  it('says so where nothing is there', async () => {
    serve({ '/api/prints': { nowS: NOW_S, running: [], ended: [], signs } })
    const page = mount(PrintStation, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('No print running, no printer free')
    expect(page.text()).toContain('No job is waiting')
  })

  it('adds a job of a material and goes to its sheet', async () => {
    const sent = serve({
      '/api/prints': { nowS: NOW_S, running: [], ended: [], signs },
      'POST /api/jobs': make('JobView', { id: 12 }),
    })
    const page = mount(PrintStation, { global: plain })
    await flushPromises()
    await page.get('#new-name').setValue('lid')
    await page.get('form').trigger('submit')
    await flushPromises()
    const added = sent.find((each) => each.method === 'POST' && each.path === '/api/jobs')
    expect(added?.body).toMatchObject({ name: 'lid', grams: 100, hours: 4 })
    expect(push).toHaveBeenCalledWith('/print/jobs/12')
  })
})

describe('a print', () => {
  it('takes what was seen with one tap and records how it ended', async () => {
    const sent = serve({
      '/api/prints/9': run(),
      '/api/prints': { nowS: NOW_S, running: [], ended: [], signs },
      'POST /api/prints/9/finish': run({ endedS: NOW_S }),
    })
    const page = mount(RunPage, { props: { id: 9 }, global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('bracket: 50 % done')
    await button(page, 'a corner came up').trigger('click')
    expect(button(page, 'a corner came up').attributes('aria-pressed')).toBe('true')
    // How it came out is asked, never set beforehand.
    await page.get('[data-testid="finish"]').trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.path.endsWith('/finish'))).toBe(false)
    expect(page.text()).toContain('Say how it came out')
    await page.get('input[value="FLAWED"]').setValue()
    await page.get('[data-testid="finish"]').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.path.endsWith('/finish'))?.body).toMatchObject({
      outcome: 'FLAWED',
      ending: 'CORNER_LIFTED',
      signs: ['corner-up'],
      usedBy: 'COMPUTED',
    })
  })

  it('shows a refusal of its progress', async () => {
    serve({
      '/api/prints/9': run(),
      '/api/prints': { nowS: NOW_S, running: [], ended: [], signs },
      'POST /api/prints/9/progress': refuse(
        'percent',
        '20 %',
        'at least 50 %',
        'It does not go back.',
      ),
    })
    const page = mount(RunPage, { props: { id: 9 }, global: plain })
    await flushPromises()
    await page.get('#run-percent').setValue('20')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('at least 50 %')
  })

  it('that has ended is corrected in place', async () => {
    const sent = serve({
      '/api/prints/9': run({
        endedS: NOW_S,
        outcome: 'GOOD',
        outcomeTitle: 'good',
        usedG: 20,
        usedBy: 'COMPUTED',
        ending: 'HELD',
      }),
      '/api/prints': { nowS: NOW_S, running: [], ended: [], signs },
      'PUT /api/prints/9/outcome': run({ endedS: NOW_S }),
    })
    const page = mount(RunPage, { props: { id: 9 }, global: plain })
    await flushPromises()
    expect(page.find('[data-testid="finish"]').exists()).toBe(false)
    await button(page, 'Correct how').trigger('click')
    await button(page, 'strings').trigger('click')
    await button(page, 'Correct it').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
      outcome: 'GOOD',
      signs: ['strings'],
      ending: 'HELD',
    })
  })

  it('whose filament ran out says what to do', async () => {
    serve({
      '/api/prints/9': run({ runOut: true, bedC: 100, chamberC: 45, nozzleC: 250 }),
      '/api/prints': { nowS: NOW_S, running: [], ended: [], signs },
    })
    const page = mount(RunPage, { props: { id: 9 }, global: plain })
    await flushPromises()
    expect(page.text()).toContain('The filament has run out')
    expect(page.text()).toContain('45 °C, 100 °C, 250 °C')
  })

  it('goes on with another spool of its material, and asks what is with the one before', async () => {
    useShelf().view = make('ShelfView', {
      spools: [
        make('SpoolView', { code: 'K7F4', material: 'ABS' }),
        make('SpoolView', { code: 'HP4C', material: 'ABS', colourName: 'moss' }),
        make('SpoolView', { code: 'QQ22', material: 'PLA' }),
      ],
    })
    const sent = serve({
      '/api/prints/9': run(),
      '/api/prints': { nowS: NOW_S, running: [], ended: [], signs },
      'POST /api/prints/9/next-spool': run({ code: 'HP4C', earlierCodes: ['K7F4'] }),
    })
    const page = mount(RunPage, { props: { id: 9 }, global: plain })
    await flushPromises()
    const next = page.get('#next-code')
    expect(next.text()).toContain('HP4C')
    expect(next.text()).not.toContain('K7F4')
    expect(next.text()).not.toContain('QQ22')
    expect(page.findAll('input[name="usedUp"]:checked')).toHaveLength(0)
    await next.setValue('HP4C')
    await page.get('input[value="CHANGED"]').setValue()
    await page.get('form.go-on').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.path.endsWith('/next-spool'))?.body).toEqual({
      code: 'HP4C',
      usedUp: false,
    })
  })
})

describe('machines', () => {
  async function shown() {
    const sent = serve({
      '/api/printers': [printer],
      '/api/plates': [plate],
      '/api/print-choices': choices,
      '/api/plates/3/learning': make('PlateLearningView', {
        before: {
          prints: 0,
          grip: { median: 1, low: 0.7, high: 1.5 },
          hold: { median: 1, low: 0.7, high: 1.5 },
        },
        after: {
          prints: 1,
          grip: { median: 0.6, low: 0.5, high: 0.8 },
          hold: { median: 1, low: 0.7, high: 1.5 },
        },
        prints: [],
      }),
      'POST /api/plates/3/washes': plate,
      'POST /api/plates/3/coats': plate,
      'POST /api/plates/3/hold-measurements': plate,
      'POST /api/plates/3/learning/reset': {},
    })
    const page = mount(MachinesPage, { global: plain })
    await flushPromises()
    return { page, sent }
  }

  it('are described in a sentence, with what prints taught', async () => {
    const { page } = await shown()
    expect(page.get('h1').text()).toBe('One printer, one plate')
    expect(page.text()).toContain('worn by 12 %')
    expect(page.text()).toContain('Glass lies on it')
    expect(page.text()).toContain('to be renewed')
    expect(page.get('[data-testid="learned"]').text()).toContain('From one print')
  })

  it('record what was done to a plate', async () => {
    const { page, sent } = await shown()
    await button(page, 'washed').trigger('click')
    await button(page, 'fresh PVA glue').trigger('click')
    await button(page, 'forget').trigger('click')
    await flushPromises()
    const posts = sent.filter((each) => each.method === 'POST').map((each) => each.path)
    expect(posts.sort()).toEqual([
      '/api/plates/3/coats',
      '/api/plates/3/learning/reset',
      '/api/plates/3/washes',
    ])
  })

  it('measure what holds a plate down', async () => {
    const { page, sent } = await shown()
    await button(page, 'measure its hold').trigger('click')
    await page.get('#pull-3').setValue('20')
    await page.get('form.measure').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.path.endsWith('hold-measurements'))?.body).toEqual({
      pullN: 20,
      areaMm2: 2500,
    })
  })

  it('are described with the version that was read', async () => {
    const sent = serve({ 'PUT /api/printers/5': printer, '/api/materials': [] })
    const form = mount(PrinterForm, {
      props: { printer, plates: [plate], choices },
      global: plain,
    })
    await form.get('#bedMaxC-5').setValue('90')
    expect(form.find('#chamberMaxC-5').exists()).toBe(false)
    await form.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
      version: 2,
      plateId: 3,
      machine: { bedMaxC: 90, hotEnd: 'LINED' },
    })
    expect(form.emitted('done')).toHaveLength(1)
  })

  it('say what is wrong with a plate at its field', async () => {
    serve({ 'POST /api/plates': refuse('massKg', '0 kg', '0.01 to 50 kg', 'Weigh it.') })
    const form = mount(PlateForm, { props: { choices }, global: plain })
    await form.get('#plate-name-0').setValue('air')
    await form.get('form').trigger('submit')
    await flushPromises()
    expect(form.get('#plate-mass-0-problem').text()).toContain('0.01 to 50 kg')
    expect(form.emitted('done')).toBeUndefined()
  })
})

describe('choosing', () => {
  it('asks again with each need and names what is possible now', async () => {
    const ranked = [
      make('RankedMaterialView', {
        material: 'ASA',
        title: 'ASA',
        needed: ['A spool of it.'],
        gramsHere: 0,
        printers: ['Press'],
        met: [],
        givesOff: 'styrene',
      }),
      make('RankedMaterialView', {
        material: 'PETG',
        title: 'PETG',
        needed: [],
        gramsHere: 800,
        printers: ['Press'],
        givesOff: null,
        met: [{ need: 'stands sun and weather', fit: 'FAIR', why: 'fair in the sun' }],
      }),
    ]
    const sent = serve({
      '/api/material-choice': {
        needs: [{ id: 'SUN', title: 'stands sun and weather' }],
        ranked,
        caution: null,
      },
    })
    const page = mount(ChoosePage, { global: plain })
    await new Promise((resolve) => setTimeout(resolve, 60))
    await flushPromises()
    expect(page.get('h1').text()).toBe('What must the part do?')
    await button(page, 'stands sun').trigger('click')
    await new Promise((resolve) => setTimeout(resolve, 60))
    await flushPromises()
    expect(sent.length).toBeGreaterThan(1)
    expect(page.get('h1').text()).toBe('PETG, printable here now')
    expect(page.text()).toContain('To be possible: A spool of it.')
  })

  it('ranks ways and takes one', async () => {
    serve({
      '/api/jobs/4/ways': [
        make('WayView', {
          printerId: 5,
          printer: 'Press',
          plateId: 3,
          plate: 'Glass',
          code: 'K7F4',
          free: false,
          hardUnmet: 1,
          holdRatio: 1.2,
          why: 'Too wet.',
        }),
      ],
    })
    const table = mount(WaysTable, { props: { id: 4, code: null }, global: plain })
    await flushPromises()
    expect(table.text()).toContain('1 must be mended.')
    await button(table, 'choose').trigger('click')
    expect(table.emitted('taken')?.[0]).toEqual([{ printerId: 5, plateId: 3, code: 'K7F4' }])
  })
})

describe('sheets side by side', () => {
  const of = (id: number, name: string, nozzle: string) =>
    make('JobSheetView', {
      job: make('KnownJob', { id, name }),
      material: 'PLA',
      code: 'K7F4',
      sheet: make('SheetAnswer', {
        hold: make('HoldAnswer', {
          adhesionRatio: 0.4,
          plateRatio: 0.1,
          tipRatio: 0,
          danger: null,
        }),
        settings: [
          make('SettingView', { id: 'nozzle', title: 'Nozzle', value: nozzle }),
          make('SettingView', { id: 'bed', title: 'Bed', value: '60 °C' }),
        ],
      }),
    })

  it('set apart what differs and hide what is not wanted', async () => {
    serve({
      '/api/jobs': [make('JobView', { id: 1 }), make('JobView', { id: 2 })],
      '/api/jobs/1/sheet': of(1, 'lid', '210 °C'),
      '/api/jobs/2/sheet': of(2, 'hook', '220 °C'),
    })
    const page = mount(ComparePage, { global: plain })
    await flushPromises()
    expect(page.findAll('thead th')).toHaveLength(3)
    const same = page.findAll('tr.same').map((row) => row.get('td').text())
    expect(same).toEqual(['Bed'])
    await button(page, 'hide').trigger('click')
    expect(page.findAll('thead th')).toHaveLength(2)
    await button(page, 'show all').trigger('click')
    expect(page.findAll('thead th')).toHaveLength(3)
  })
})
