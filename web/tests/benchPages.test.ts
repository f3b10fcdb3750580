import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import CalibrationsPage from '@/stations/materials/CalibrationsPage.vue'
import ComparePage from '@/stations/materials/ComparePage.vue'
import MaterialsStation from '@/stations/materials/MaterialsStation.vue'
import WorksheetCurve from '@/stations/materials/WorksheetCurve.vue'
import NextTest from '@/stations/trouble/NextTest.vue'
import DryingPractisePage from '@/stations/trouble/DryingPractisePage.vue'
import ProcedurePage from '@/stations/trouble/ProcedurePage.vue'
import ProceduresPage from '@/stations/trouble/ProceduresPage.vue'
import SuppliesPage from '@/stations/upkeep/SuppliesPage.vue'
import TimelinePage from '@/stations/upkeep/TimelinePage.vue'
import UpkeepStation from '@/stations/upkeep/UpkeepStation.vue'
import { usePreferences } from '@/stores/preferences'
import { make } from './contract'
import { plain, refuse, serve } from './pages'

const NOW_S = 1_800_000_000
const push = vi.fn()
const replace = vi.fn()
let query: Record<string, string> = {}
vi.mock('vue-router', async (original) => ({
  ...(await original<typeof import('vue-router')>()),
  useRouter: () => ({ push, replace }),
  useRoute: () => ({ query, meta: {} }),
}))

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.useRealTimers()
  push.mockReset()
  replace.mockReset()
  query = {}
})

function button(page: VueWrapper, words: string) {
  const found = page.findAll('button').find((each) => each.text().startsWith(words))
  if (!found) {
    throw new Error(`no button ${words} among ${page.findAll('button').map((b) => b.text())}`)
  }
  return found
}

const pull = make('ProcedureView', {
  id: 'cold_pull',
  title: 'Cold pull',
  minutes: 12,
  needs: ['a lens'],
  caution: 'Hot parts burn.',
  defers: 'Follow the data sheet.',
  causes: ['clog_debris'],
  testId: 't_coldpull',
  reading: null,
  steps: [
    make('ProcedureStepView', {
      kind: 'WAIT',
      words: 'Let it settle.',
      seconds: 180,
      value: null,
      answers: [],
    }),
    make('ProcedureStepView', {
      kind: 'ASK',
      words: 'What does its tip look like?',
      seconds: null,
      value: null,
      answers: [
        make('StopAnswerView', { label: 'Grains', outcome: 'debris', goesTo: 1, words: 'Again.' }),
        make('StopAnswerView', { label: 'Clean', outcome: 'clean', goesTo: 3, words: '' }),
        make('StopAnswerView', {
          label: 'It tore off',
          outcome: null,
          goesTo: 0,
          words: 'Stop pulling.',
        }),
      ],
    }),
  ],
})
const feed = make('ProcedureView', {
  id: 'feed_check',
  title: 'Feed check',
  needs: [],
  testId: null,
  reading: 'feed',
  steps: [
    make('ProcedureStepView', {
      kind: 'VALUE',
      words: 'Left after the slow feed',
      seconds: null,
      value: make('MeasuredValueView', { field: 'leftSlowMm', unit: 'mm', least: 0, most: 200 }),
      answers: [],
    }),
  ],
})

describe('work step by step', () => {
  it('is listed with what it needs', async () => {
    serve({ 'GET /api/procedures': [pull, feed] })
    const page = mount(ProceduresPage, { global: plain })
    await flushPromises()
    expect(page.text()).toContain('2 steps, 12 min; needs a lens')
  })

  it('shows one step at a time, goes back where an answer says so, and ends', async () => {
    serve({ 'GET /api/procedures': [pull, feed] })
    const page = mount(ProcedurePage, { props: { id: 'cold_pull' }, global: plain })
    await flushPromises()
    expect(page.text()).toContain('Hot parts burn. Follow the data sheet.')
    expect(page.get('[aria-current=step]').text()).toContain('3:00')
    await button(page, 'Go on without waiting').trigger('click')
    await button(page, 'Grains').trigger('click')
    expect(page.get('[aria-current=step]').text()).toContain('Again.')
    await button(page, 'Start the timer').trigger('click')
    expect(localStorage.getItem('walk-cold_pull')).toContain('"at":1')
    await button(page, 'Go on').trigger('click')
    await button(page, 'It tore off').trigger('click')
    const over = page.get('[data-testid=walk-over]').text()
    expect(over).toContain('Stop here')
    expect(over).toContain('Stop pulling.')
    // Without a case there is nothing to note it in.
    expect(over).not.toContain('Note what came out')
    await button(page, 'Begin anew').trigger('click')
    expect(page.find('[data-testid=walk-over]').exists()).toBe(false)
  })

  it('notes what came out in its case, beside the tests that are there', async () => {
    query = { case: '4' }
    const sent = serve({
      'GET /api/procedures': [pull],
      'GET /api/troubles/4': make('TroubleView', {
        id: 4,
        title: 'strings',
        version: 6,
        tests: [make('CaseTestView', { id: 't_pull', outcome: 'free' })],
      }),
      'PUT /api/troubles/4/answers': make('TroubleView', {
        id: 4,
        tests: [make('CaseTestView', { id: 't_coldpull', outcomeName: 'A clean cast' })],
      }),
    })
    const page = mount(ProcedurePage, { props: { id: 'cold_pull' }, global: plain })
    await flushPromises()
    await button(page, 'Go on').trigger('click')
    await button(page, 'Clean').trigger('click')
    await button(page, 'Note what came out').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toEqual({
      version: 6,
      tests: { t_pull: 'free', t_coldpull: 'clean' },
    })
    expect(page.text()).toContain('Noted: A clean cast.')
  })

  it('computes when the last value is in, and says what is refused', async () => {
    const sent = serve({
      'GET /api/procedures': [feed],
      'POST /api/procedures/feed_check/reading': make('ProcedureReadingView', {
        words: 'Flow 98.0 %.',
        outcome: 'ok',
        points: [],
      }),
    })
    const page = mount(ProcedurePage, { props: { id: 'feed_check' }, global: plain })
    await flushPromises()
    expect(button(page, 'Go on').attributes('disabled')).toBeDefined()
    await page.get('#walk-leftSlowMm').setValue('22')
    await button(page, 'Go on').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toEqual({
      values: { leftSlowMm: 22 },
    })
    expect(page.get('[data-testid=walk-reading]').text()).toContain('Flow 98.0 %.')
    serve({
      'GET /api/procedures': [feed],
      'POST /api/procedures/feed_check/reading': refuse(
        'leftSlowMm',
        '199',
        '0 to 120 mm',
        'Measure from the mark.',
      ),
    })
    localStorage.clear()
    const other = mount(ProcedurePage, { props: { id: 'feed_check' }, global: plain })
    await flushPromises()
    await other.get('#walk-leftSlowMm').setValue('199')
    await button(other, 'Go on').trigger('click')
    await flushPromises()
    expect(other.text()).toContain('0 to 120 mm')
    expect(other.find('[data-testid=walk-reading]').exists()).toBe(false)
  })

  it('says when there is none of that name', async () => {
    serve({ 'GET /api/procedures': [pull] })
    const page = mount(ProcedurePage, { props: { id: 'dance' }, global: plain })
    await flushPromises()
    expect(page.text()).toContain('There is no procedure called dance.')
  })
})

describe('a danger that was seen', () => {
  it('has nothing switched on to test', () => {
    const props = {
      ranking: make('TroubleAnswer', {
        nextTest: make('ProposedTestView', { id: 't_air', name: 'Press 100 mm', outcomes: [] }),
        quickTest: null,
        remedies: [],
      }),
      done: [],
      known: [],
      procedures: [],
      caseId: 1,
      material: null,
      disabled: false,
    }
    const safe = mount(NextTest, { props: { ...props, stopped: false }, global: plain })
    expect(safe.text()).toContain('Press 100 mm')
    const stopped = mount(NextTest, { props: { ...props, stopped: true }, global: plain })
    expect(stopped.text()).toContain('Nothing is switched on to test')
    expect(stopped.text()).not.toContain('Press 100 mm')
  })
})

describe('practising drying', () => {
  const spool = make('DryingPracticeView', {
    seed: 7,
    material: 'PETG',
    cardboardReel: true,
    netG: 1000,
    openDays: 1,
    roomC: 21,
    roomPercent: 65,
    ratedMaxC: 70,
    dialC: 0,
    dryPercent: 0.08,
    limitPercent: 0.2,
    balancePercent: 0.33,
  })
  const review = (more = {}) =>
    make('DryingPracticeReviewView', {
      words: 'Too hot: something softens before it is dry.',
      good: false,
      outerPercent: 0.2,
      meanPercent: 0.1,
      guessIsNear: true,
      ceilingC: 62,
      spoils: true,
      leftPercent: 0.05,
      limitPercent: 0.2,
      neededHours: null,
      bestC: 60,
      bestHours: null,
      kWh: 0.4,
      wastedHours: 0,
      lostG: 1000,
      ...more,
    })

  it('tells the spool, takes a plan, and says what it costs to be wrong', async () => {
    query = { case: '7' }
    const sent = serve({
      'GET /api/drying-practice/7': spool,
      'POST /api/drying-practice/7/review': review(),
    })
    const page = mount(DryingPractisePage, { global: plain })
    await flushPromises()
    expect(page.text()).toContain('on a cardboard reel')
    expect(page.text()).toContain('one day')
    expect(page.text()).toContain('as warm as its dial says')
    await page.get('#guess').setValue('0.1')
    await page.get('#plan-setpoint').setValue('70')
    await page.get('#plan-hours').setValue('8')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(sent.filter((each) => each.method === 'POST')).toHaveLength(1)
    const said = page.get('[data-testid=drying-review]').text()
    expect(said).toContain('Your guess was near.')
    expect(said).toContain('Nothing is harmed up to 62')
    expect(said).toContain('The spool, 1000 g.')
    expect(said).toContain('this air never dries it')
  })

  it('keeps the result of who said a name', async () => {
    query = { case: '7' }
    usePreferences().person = 'Ida'
    const sent = serve({
      'GET /api/drying-practice/7': spool,
      'POST /api/drying-practice/7/review': review({ spoils: false, lostG: 0, wastedHours: 9 }),
      'GET /api/practice/results': [
        make('PersonResultView', { person: 'Ida', kind: 'DRYING', cases: 3, right: 2 }),
        make('PersonResultView', { person: 'Ida', kind: 'TROUBLE', cases: 9, right: 9 }),
      ],
    })
    const page = mount(DryingPractisePage, { global: plain })
    await flushPromises()
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(sent.some((each) => each.path === '/api/drying-practice/7/result')).toBe(true)
    expect(page.text()).toContain('could have served another')
    expect(page.text()).toContain('2 of 3 right')
    expect(page.text()).not.toContain('9 of 9 right')
    await button(page, 'Take out').trigger('click')
    await button(page, 'Take them out').trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.method === 'DELETE')).toBe(true)
  })
})

const task = (name: string, state: 'DUE' | 'SOON' | 'LATER', more = {}) =>
  make('UpkeepItemView', {
    task: name,
    title: `Task ${name}`,
    subject: 'PRINTER',
    subjectId: 5,
    name: 'Press 5',
    state,
    counts: [
      make('CountView', { counter: 'HOURS', used: 210, every: 200, words: '210 of 200 hours' }),
      make('CountView', { counter: 'DAYS', used: 3, every: 90, words: '3 of 90 days' }),
    ],
    dueS: NOW_S,
    lastS: NOW_S - 5 * 86_400,
    minutes: 5,
    machineState: 'hot',
    procedure: 'paper_slip',
    sign: 'noise',
    needs: ['a brush'],
    caution: 'Fingers off blades.',
    steps: ['Brush', 'Look'],
    ownId: null,
    ...more,
  })
const upkeep = make('UpkeepView', {
  nowS: NOW_S,
  items: [
    task('fans', 'DUE'),
    task('rods', 'LATER', { dueS: null, lastS: null }),
    task('wash', 'SOON', {
      subject: 'PLATE',
      subjectId: 2,
      name: 'Sheet A',
      dueS: NOW_S + 3 * 86_400,
    }),
  ],
  own: [
    make('OwnTaskView', {
      id: 9,
      title: 'Empty the bin',
      everyDays: 14,
      everyHours: null,
      everyPrints: null,
      everyFilamentKg: null,
    }),
  ],
})

describe('upkeep', () => {
  it('says what is due, done by one tap, with what comes later behind another', async () => {
    const sent = serve({ 'GET /api/upkeep': upkeep })
    const page = mount(UpkeepStation, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('One task is due')
    expect(page.text()).not.toContain('Task rods')
    const row = page.get('[data-testid=task-fans-PRINTER-5]')
    expect(row.text()).toContain('due; last 5 days ago')
    expect(page.text()).toContain('due in 3 days')
    await button(page, 'Show one that comes').trigger('click')
    expect(page.text()).toContain('nothing counts towards it now; not known when it was last done')
    await row.findAll('button')[1]!.trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')).toMatchObject({
      path: '/api/upkeep/done',
      body: { task: 'fans', subject: 'PRINTER', subjectId: 5 },
    })
  })

  it('takes a note and a measured value, with caution and steps in view', async () => {
    const sent = serve({ 'GET /api/upkeep': upkeep })
    const page = mount(UpkeepStation, { global: plain })
    await flushPromises()
    await button(page, 'Task fans').trigger('click')
    const row = page.get('[data-testid=task-fans-PRINTER-5]')
    expect(row.text()).toContain('Fingers off blades.')
    expect(row.text()).toContain('3 of 90 days')
    await row.get('#note-fans-PRINTER-5').setValue('hair in it')
    await row.get('#measured-fans-PRINTER-5').setValue('4200')
    await row.get('#unit-fans-PRINTER-5').setValue('rpm')
    await row.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toMatchObject({
      note: 'hair in it',
      measured: 4200,
      measuredUnit: 'rpm',
    })
  })

  it('shows the asked-for bench first, and desiccant and checks of the week', async () => {
    query = { of: 'PLATE-2' }
    serve({
      'GET /api/upkeep': upkeep,
      'GET /api/today': make('TodayView', {
        nowS: NOW_S,
        lines: [
          make('LineView', { key: 'desiccant-4', what: 'Change the desiccant of box 4' }),
          make('LineView', { key: 'print-end-4', what: 'Take it off' }),
        ],
        settled: [],
      }),
    })
    const page = mount(UpkeepStation, { global: plain })
    await flushPromises()
    expect(page.findAll('h2')[0]?.text()).toContain('Sheet A')
    expect(page.text()).toContain('Change the desiccant of box 4')
    expect(page.text()).not.toContain('Take it off')
  })

  it('adds tasks of our own, takes them out, and names what is wrong', async () => {
    const sent = serve({
      'GET /api/upkeep': upkeep,
      'POST /api/upkeep/tasks': refuse(
        'everyDays',
        'missing',
        'an amount of days, hours, prints',
        'Say after how much it is due.',
      ),
    })
    const page = mount(UpkeepStation, { global: plain })
    await flushPromises()
    expect(page.text()).toContain('every 14 days')
    await button(page, 'remove').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'DELETE')?.path).toBe('/api/upkeep/tasks/9')
    await page.get('[data-testid=add-task]').trigger('click')
    await page.get('#own-title-field').setValue('sweep')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('an amount of days, hours, prints')
  })

  it('says what changed on a printer, prints between the marks', async () => {
    const sent = serve({
      'GET /api/upkeep/timeline/5': make('TimelineView', {
        name: 'Press 5',
        fromS: NOW_S - 30 * 86_400,
        toS: NOW_S,
        prints: [
          make('TimelinePrint', {
            id: 3,
            name: 'hooks',
            material: 'PLA',
            startedS: NOW_S - 86_400,
            endedS: null,
            failed: false,
          }),
          make('TimelinePrint', {
            id: 2,
            name: 'lid',
            material: 'ABS',
            startedS: NOW_S - 3 * 86_400,
            endedS: NOW_S - 2.9 * 86_400,
            failed: true,
          }),
        ],
        marks: [
          make('TimelineMark', {
            atS: NOW_S - 2 * 86_400,
            kind: 'UPKEEP',
            words: 'Clean the fans: hair',
          }),
        ],
        days: [make('TimelineDay', { fromS: NOW_S - 86_400, relativeHumidityPercent: 41 })],
      }),
      'GET /api/upkeep/history/PRINTER/5': [
        make('UpkeepDoneView', {
          id: 8,
          title: 'Clean the fans',
          atS: NOW_S - 2 * 86_400,
          note: 'hair',
          measured: 12,
          measuredUnit: 'rpm',
          photos: [make('PhotoView', { id: 6 })],
        }),
      ],
    })
    const page = mount(TimelinePage, { props: { id: 5 }, global: plain })
    await flushPromises()
    const lines = page.get('[data-testid=timeline-list]').findAll('li')
    expect(lines.map((line) => line.text())).toEqual([
      expect.stringContaining('hooks, PLA, still printing'),
      expect.stringContaining('Clean the fans: hair'),
      expect.stringContaining('lid, ABS, failed'),
    ])
    expect(page.text()).toContain('the last day 41 %')
    expect(page.get('img').attributes('src')).toBe('/api/photos/6/small')
    await button(page, 'take out').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'DELETE')?.path).toBe('/api/upkeep/done/8')
  })
})

describe('what runs out', () => {
  const supplies = make('SuppliesView', {
    nowS: NOW_S,
    windowDays: 90,
    filaments: [
      make('FilamentSupplyView', {
        material: 'PLA',
        colourName: 'white',
        stockG: 300,
        promisedG: 500,
        days: 10,
        lowDays: 8,
        highDays: 14,
        pricePerKg: 20,
        currency: 'EUR',
        pricePerGoodKg: 24.5,
      }),
    ],
    jobs: [
      make('JobCostView', { jobId: 4, name: 'hooks', grams: 80, price: 1.6, currency: 'EUR' }),
      make('JobCostView', { jobId: 5, name: 'lid', grams: 40, price: null }),
    ],
    others: [
      make('SupplyView', {
        id: 2,
        name: 'Glue',
        unit: 'pieces',
        left: 3.2,
        perMonth: 1,
        least: 1,
        low: false,
        usedUpS: NOW_S + 90 * 86_400,
        price: 2,
        currency: 'EUR',
        version: 4,
      }),
    ],
  })

  it('says what to order and why, what jobs cost, and counts other things', async () => {
    const sent = serve({ 'GET /api/supplies': supplies, 'GET /api/stock/groups': [] })
    const page = mount(SuppliesPage, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('One thing is to be ordered')
    expect(page.get('[data-testid=to-order]').text()).toContain('jobs take more than there is')
    expect(page.text()).toContain('24.50 EUR a kg of good parts')
    expect(page.text()).toContain('1.60 EUR')
    expect(page.text()).toContain('no price of its lot is known')
    expect(page.text()).toContain('about 3 pieces left')
    await button(page, 'count').trigger('click')
    await page.get('#supply-amount').setValue('7')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')).toMatchObject({
      path: '/api/supplies/2',
      body: { version: 4, name: 'Glue', amount: 7, perMonth: 1 },
    })
    await button(page, 'remove').trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.method === 'DELETE')).toBe(true)
  })

  it('is nothing in an empty workshop, where a supply can be added', async () => {
    const sent = serve({ 'GET /api/stock/groups': [] })
    const page = mount(SuppliesPage, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('Nothing is to be ordered')
    await page.get('[data-testid=add-supply]').trigger('click')
    await page.get('#supply-name').setValue('Gel')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toMatchObject({
      name: 'Gel',
      unit: 'g',
    })
  })
})

const material = (name: string, more = {}) =>
  make('MaterialView', {
    name,
    title: name,
    kind: name,
    parameters: {
      nozzleC: make('Figure', {
        value: 210,
        title: 'nozzle, usual',
        use: 'PRINTING',
        unit: '°C',
        source: 'data sheets',
        grade: 'C',
      }),
    },
    words: [],
    equilibrium: [],
    ...more,
  })

describe('materials', () => {
  const profile = (name: string, more = {}) =>
    make('MaterialProfileView', {
      name,
      kind: name,
      waterPercent: 0.3,
      uptakeDays: 1.5,
      bendsC: 70,
      pullMPa: 10,
      stiffnessGPa: 2,
      stretchPercent: 10,
      nozzleC: 240,
      ...more,
    })

  it('are held against one another; a tap chooses, a second exchanges', async () => {
    serve({
      'GET /api/materials/profiles': [
        profile('PETG'),
        profile('ABS', { waterPercent: 0.6 }),
        profile('SILK', { kind: 'PETG', waterPercent: 3 }),
      ],
    })
    const page = mount(ComparePage, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('PETG against ABS')
    const water = page.get('[data-testid=compare-water]')
    expect(water.text()).toContain('2.0 times less')
    expect(water.findAll('.mark.own')).toHaveLength(1)
    await water.findAll('.mark')[2]!.trigger('click')
    expect(page.get('h1').text()).toBe('SILK against ABS')
    await water.findAll('.mark')[1]!.trigger('click')
    expect(page.get('h1').text()).toBe('ABS against SILK')
    // Nobody gave a price: there is no line for it.
    expect(page.find('[data-testid=compare-price]').exists()).toBe(false)
  })

  it('are derived with figures of their own', async () => {
    const sent = serve({
      'GET /api/materials': [material('PLA')],
      'POST /api/own-materials': make('OwnMaterialView', { name: 'SILK' }),
    })
    const page = mount(MaterialsStation, { props: { name: 'PLA' }, global: plain })
    await flushPromises()
    await page.get('[data-testid=derive]').trigger('click')
    await page.get('#own-name').setValue('SILK')
    await page.get('#own-reason').setValue('data sheet')
    await page.get('[data-testid=own-figure]').setValue('nozzleC')
    await flushPromises()
    await page.get('#own-nozzleC').setValue('222')
    await page.get('form.own').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toEqual({
      name: 'SILK',
      base: 'PLA',
      figures: { nozzleC: 222 },
      reason: 'data sheet',
    })
    expect(push).toHaveBeenCalledWith('/materials/SILK')
  })

  it('of our own are changed with their version, or removed', async () => {
    const sent = serve({
      'GET /api/materials': [material('PLA'), material('SILK', { kind: 'PLA' })],
      'GET /api/own-materials': [
        make('OwnMaterialView', {
          id: 3,
          name: 'SILK',
          title: 'silky',
          base: 'PLA',
          figures: { nozzleC: 222 },
          reason: 'data sheet',
          version: 2,
        }),
      ],
      'PUT /api/own-materials/3': make('OwnMaterialView', { name: 'SILK' }),
    })
    const page = mount(MaterialsStation, { props: { name: 'SILK' }, global: plain })
    await flushPromises()
    expect(page.text()).toContain('One of our own, like')
    await page.get('[data-testid=derive]').trigger('click')
    await page
      .get('form.own')
      .findAll('button')
      .find((each) => each.text().startsWith('as PLA'))!
      .trigger('click')
    await page.get('form.own').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
      version: 2,
      figures: {},
    })
  })
})

describe('worksheets', () => {
  const result = make('WorksheetView', {
    value: 90.94,
    unsure: 0.43,
    unit: '%',
    words: 'Set the flow to 90.9 %.',
    leftOut: [1],
    points: [
      { x: 1, y: 0.44 },
      { x: 2, y: 0.9 },
    ],
    curve: [
      { x: 1, y: 0.4 },
      { x: 2, y: 0.4 },
    ],
  })

  it('compute while they are filled in, and are kept with a lot', async () => {
    vi.useFakeTimers()
    const sent = serve({
      'GET /api/worksheets': [
        make('WorksheetKindView', { id: 'FLOW', title: 'flow', ofLot: true }),
        make('WorksheetKindView', { id: 'EXTRUDER', title: 'extruder', ofLot: false }),
      ],
      'POST /api/worksheets': result,
      'GET /api/lots': [make('LotView', { id: 12, maker: 'Alder', batch: 'A1' })],
    })
    query = { lot: '12' }
    const page = mount(CalibrationsPage, { global: plain })
    await flushPromises()
    await page.get('#sheet-measured').setValue('0.44 0.44')
    await vi.advanceTimersByTimeAsync(1000)
    expect(sent.some((each) => each.method === 'POST')).toBe(false)
    await page.get('#sheet-measured').setValue('0.44 0.44 0,44 0.9')
    await vi.advanceTimersByTimeAsync(1000)
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toEqual({
      kind: 'FLOW',
      measured: [0.44, 0.44, 0.44, 0.9],
      wanted: 0.4,
      now: 100,
    })
    const said = page.get('[data-testid=sheet-result]').text()
    expect(said).toContain('90.94 ± 0.43 %')
    expect(said).toContain('number 2')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(
      sent.find((each) => each.path === '/api/calibrations' && each.method === 'POST')?.body,
    ).toMatchObject({ lotId: 12, worksheet: { kind: 'FLOW' } })
  })

  it('are drawn with what was left out crossed', () => {
    const { points, curve, leftOut } = result
    const curveView = mount(WorksheetCurve, {
      props: { points, curve, leftOut, across: 'number', up: 'wall, mm' },
    })
    expect(curveView.findAll('circle')).toHaveLength(1)
    expect(curveView.findAll('.out')).toHaveLength(1)
    expect(curveView.get('svg').attributes('aria-label')).toContain('2 measurements')
  })
})
