import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import JobSheetPage from '@/stations/print/JobSheetPage.vue'
import { NO_CHOICES, newPart } from '@/stations/print/sheet'
import { make } from './contract'
import { plain, refuse, serve } from './pages'

const push = vi.fn()
vi.mock('vue-router', async (original) => ({
  ...(await original<typeof import('vue-router')>()),
  useRouter: () => ({ push }),
  useRoute: () => ({ query: {}, meta: {} }),
}))

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  push.mockReset()
})

const cheapest = make('RemedyView', {
  words: 'A brim of 5 mm; Wash the plate',
  adhesionRatio: 0.6,
  plateRatio: 0.2,
  tipRatio: 0,
  change: make('ChangeView', {
    brimMm: 5,
    washed: true,
    bedTemperatureC: null,
    chamberTemperatureC: null,
    draft: null,
    fanPercent: null,
    squish: null,
    padDiameterMm: null,
    padLayers: null,
    raftMarginMm: null,
    interfaceLayer: null,
    plateKind: null,
    cornerRadiusMm: null,
  }),
})

const sheet = make('SheetAnswer', {
  material: 'ABS',
  grams: 60,
  metres: 20,
  hours: 4,
  hold: make('HoldAnswer', {
    adhesionRatio: 1.2,
    plateRatio: 0.3,
    tipRatio: 0,
    unsurePercent: 35,
    danger: null,
    liftsAtHeightMm: 8,
    cheapest,
    heightMm: [10, 20],
    adhesionByHeight: [0.7, 1.2],
    plateByHeight: [0.1, 0.3],
    airC: [60, 40],
  }),
  bond: make('BondView', { heightMm: [10, 20], zToXyByHeight: [0.7, 0.6] }),
  gates: [
    make('GateView', { id: 'hold', hard: false, met: false, words: 'It lifts.', remedy: null }),
  ],
  curves: [
    make('CurveView', {
      id: 'brim',
      title: 'Brim',
      unit: 'mm',
      present: 0,
      values: [0, 12],
      adhesion: [1.2, 0.5],
      plate: [0, 0],
      tip: [0, 0],
    }),
  ],
  settings: [make('SettingView', { id: 'nozzle', title: 'Nozzle', value: '250 °C' })],
})

const view = (more = {}) =>
  make('JobSheetView', {
    job: make('KnownJob', { id: 4, name: 'lid', startedS: null, doneS: null, someTime: true }),
    amount: make('AmountView', {
      from: 'PERSON',
      grams: 40,
      hours: 2,
      boxG: 55.06,
      boxHours: 3.001,
    }),
    printerId: 5,
    plateId: 3,
    feedId: null,
    code: 'K7F4',
    part: newPart(),
    choices: { ...NO_CHOICES },
    version: 2,
    materialTitle: 'ABS',
    material: 'ABS',
    sheet,
    candidates: ['K7F4'],
    learned: null,
    lastGood: null,
    runId: null,
    ...more,
  })

const machines = {
  '/api/printers': [make('PrinterView', { placeId: 5, name: 'Press' })],
  '/api/plates': [make('PlateView', { id: 3, name: 'Glass', interfaceLayerTitle: 'bare' })],
  '/api/print-choices': make('PrintChoicesView', {}),
}

async function shown(special: Record<string, unknown>) {
  const sent = serve({ ...machines, ...special })
  const page = mount(JobSheetPage, { props: { id: 4 }, global: plain })
  await settled()
  return { page, sent }
}

async function settled() {
  await flushPromises()
  await new Promise((resolve) => setTimeout(resolve, 90))
  await flushPromises()
}

it('has the verdict as its headline and the cheapest remedy under it', async () => {
  const { page } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
  })
  expect(page.get('h1').text()).toBe('lid: corners lift at 8 mm')
  expect(page.get('[data-testid="cure"]').text()).toContain('A brim of 5 mm; Wash the plate')
  expect(page.get('[data-testid="cure"]').text()).toContain('0.60 ± 0.21')
})

it('takes a cure as a draft, which is kept with the version that was read', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
    'PUT /api/jobs/4/sheet': view({ version: 3 }),
  })
  expect(page.find('[data-testid="keep"]').exists()).toBe(false)
  await page.get('[data-testid="take-cure"]').trigger('click')
  await settled()
  const preview = sent.filter((each) => each.path.endsWith('/preview')).at(-1)
  expect(preview?.body).toMatchObject({ choices: { brimMm: 5 } })
  await page.get('[data-testid="keep"]').trigger('click')
  await settled()
  expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
    version: 2,
    printerId: 5,
    choices: { brimMm: 5 },
  })
})

it('records work at the bench as what it is', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
    'POST /api/plates/3/washes': make('PlateView', { id: 3 }),
  })
  const wash = page.findAll('button').find((each) => each.text() === 'I washed the plate')
  await wash!.trigger('click')
  await settled()
  expect(sent.some((each) => each.path === '/api/plates/3/washes')).toBe(true)
})

it('asks for the part first and computes once it is said', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view({ part: null, sheet: null, version: 0 }),
    'POST /api/jobs/4/sheet/preview': view({ version: 0 }),
  })
  expect(page.text()).toContain('How large is it?')
  await page.get('#part-length').setValue('120')
  await page.get('[data-testid="part-done"]').trigger('click')
  await settled()
  const preview = sent.filter((each) => each.path.endsWith('/preview')).at(-1)
  expect(preview?.body).toMatchObject({ part: { lengthMm: 120, walls: 3 } })
})

it('moves a lever and says what is wrong with a value', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
  })
  await page.get('#lever-brim').setValue('6')
  await settled()
  expect(sent.filter((each) => each.path.endsWith('/preview')).at(-1)?.body).toMatchObject({
    choices: { brimMm: 6 },
  })
})

it('starts, keeping the draft first, and goes to the print', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
    'PUT /api/jobs/4/sheet': view({ version: 3 }),
    'POST /api/prints': make('RunView', { id: 31 }),
  })
  await page.get('[data-testid="take-cure"]').trigger('click')
  await settled()
  await page.get('[data-testid="start"]').trigger('click')
  await settled()
  const order = sent.filter((each) => each.method === 'PUT' || each.path === '/api/prints')
  expect(order.map((each) => each.method)).toEqual(['PUT', 'POST'])
  expect(push).toHaveBeenCalledWith('/print/runs/31')
})

it('stays where it is when a start is refused', async () => {
  const { page } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
    'POST /api/prints': refuse('printerId', 'Press', 'a printer that is free', 'Choose another.'),
  })
  await page.get('[data-testid="start"]').trigger('click')
  await settled()
  expect(page.text()).toContain('a printer that is free')
  expect(push).not.toHaveBeenCalled()
})

it('puts the danger of a plate before every ratio', async () => {
  const dangerous = {
    ...sheet,
    hold: { ...sheet.hold, danger: 'It can tear the surface.', adhesionRatio: 0.2 },
  }
  const { page } = await shown({
    '/api/jobs/4/sheet': view({ sheet: dangerous }),
    'POST /api/jobs/4/sheet/preview': view({ sheet: dangerous }),
  })
  expect(page.get('h1').text()).toContain('tear the plate')
  expect(page.get('[data-testid="danger"]').text()).toContain('It can tear the surface.')
})

it('repeats the last good one', async () => {
  const last = make('LastGoodView', {
    runId: 8,
    name: 'old lid',
    printerId: 5,
    plateId: 3,
    choices: { ...NO_CHOICES, brimMm: 7 },
  })
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view({ lastGood: last }),
    'POST /api/jobs/4/sheet/preview': view({ lastGood: last }),
  })
  await page.get('[data-testid="repeat"]').trigger('click')
  await settled()
  expect(sent.filter((each) => each.path.endsWith('/preview')).at(-1)?.body).toMatchObject({
    choices: { brimMm: 7 },
  })
})

it('computes again for a speed set by hand', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
  })
  await page.get('#chosen-speedMmPerS').setValue('180')
  await settled()
  expect(sent.filter((each) => each.path.endsWith('/preview')).at(-1)?.body).toMatchObject({
    choices: { speedMmPerS: 180 },
  })
  await page.get('#chosen-speedMmPerS').setValue('')
  await settled()
  const last = sent.filter((each) => each.path.endsWith('/preview')).at(-1)
  expect((last?.body as { choices: object }).choices).not.toHaveProperty('speedMmPerS')
})

it('asks what it takes where no file tells, and offers what a whole box would', async () => {
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': view(),
    'POST /api/jobs/4/sheet/preview': view(),
  })
  expect(page.get<HTMLInputElement>('#amount-grams').element.value).toBe('40')
  await page.get('[data-testid="as-box"]').trigger('click')
  await settled()
  expect(sent.filter((each) => each.path.endsWith('/preview')).at(-1)?.body).toMatchObject({
    grams: 55.1,
    hours: 3,
  })
  expect(page.find('[data-testid="as-box"]').exists()).toBe(false)
})

it('does not ask what the file of the part tells', async () => {
  const told = view({
    amount: make('AmountView', { from: 'PRINT_FILE', grams: 31, hours: 2.5 }),
    partFileId: null,
  })
  const { page, sent } = await shown({
    '/api/jobs/4/sheet': told,
    'POST /api/jobs/4/sheet/preview': told,
  })
  expect(page.find('#amount-grams').exists()).toBe(false)
  expect(page.get('[data-testid="amount-from"]').text()).toContain('as its print file')
  const preview = sent.filter((each) => each.path.endsWith('/preview')).at(-1)
  expect(preview?.body).not.toHaveProperty('grams')
})
