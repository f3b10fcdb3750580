import { flushPromises, mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import CycleLane from '@/stations/dry/CycleLane.vue'
import DryerFacts from '@/stations/dry/DryerFacts.vue'
import AttendanceEditor from '@/stations/plan/AttendanceEditor.vue'
import PlanLanes from '@/stations/plan/PlanLanes.vue'
import TodayStation from '@/stations/today/TodayStation.vue'
import { serve } from './pages'
import { TimeScale } from '@/parts/timeScale'
import { make } from './contract'

const START_S = 1_760_000_400
const HOUR_S = 3600
const links = { global: { stubs: { RouterLink: RouterLinkStub } } }

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.unstubAllGlobals())

describe('a spool in a cycle', () => {
  const point = (hour: number, mean: number) => ({
    hour,
    outerPercent: mean - 0.02,
    meanPercent: mean,
    corePercent: mean + 0.02,
    lowPercent: mean - 0.03,
    highPercent: mean + 0.03,
  })
  const spool = make('SpoolInCycle', {
    code: 'AAAA',
    targetPercent: 0.08,
    floorPercent: 0.02,
    sureDryS: START_S + 8 * HOUR_S,
    nextWeighingS: START_S + 4 * HOUR_S,
    past: [0, 1, 2].map((hour) => ({
      timeS: START_S + hour * HOUR_S,
      outerPercent: 0.2 - 0.02 * hour,
      meanPercent: 0.24 - 0.02 * hour,
      corePercent: 0.25 - 0.01 * hour,
    })),
    ahead: [0, 3, 6, 20].map((hour) => point(hour, 0.2 - 0.01 * hour)),
  })
  const props = {
    spool,
    scale: new TimeScale(START_S, START_S + 10 * HOUR_S, 600),
    nowS: START_S + 2 * HOUR_S,
    heated: [{ fromS: START_S, toS: START_S + 5 * HOUR_S }],
    label: 'AAAA: likely dry',
  }

  it('is drawn on one scale of time with heat, now and sure', () => {
    const lane = mount(CycleLane, { props })
    expect(Number(lane.find('.now').attributes('x1'))).toBe(120)
    expect(Number(lane.find('.sure').attributes('x1'))).toBe(480)
    expect(Number(lane.find('.heat').attributes('width'))).toBe(300)
    expect(lane.find('.weigh').attributes('d')).toContain('M 240')
    expect(lane.find('svg').attributes('aria-label')).toBe('AAAA: likely dry')
  })

  it('joins what was and what is to come, and leaves out what lies beyond', () => {
    const lane = mount(CycleLane, { props })
    expect(lane.find('.mean').attributes('points')?.split(' ')).toHaveLength(6)
    expect(lane.find('.band').attributes('points')?.split(' ')).toHaveLength(6)
  })

  it('has no mark for what never comes', () => {
    const never = { ...spool, sureDryS: null, nextWeighingS: null }
    const lane = mount(CycleLane, { props: { ...props, spool: never } })
    expect(lane.find('.sure').exists()).toBe(false)
    expect(lane.find('.weigh').exists()).toBe(false)
  })
})

describe('what is known of a dryer', () => {
  const dryer = make('DryerView', {
    placeId: 7,
    kindTitle: 'Kitchen oven',
    ratedMaxC: 250,
    airChangesPerHour: 10,
    behaviour: make('BehaviourView', {
      measured: false,
      hottestAboveSetK: 33.3,
      uncertaintyK: 15.4,
    }),
    cautions: ['Never together with food.'],
  })

  it('says that it was not measured, and cautions', () => {
    const facts = mount(DryerFacts, { props: { dryer }, ...links })
    expect(facts.text()).toContain('not measured; by its kind hottest spot 33.3 °C ± 15.4 °C')
    expect(facts.text()).toContain('10 air changes an hour')
    expect(facts.text()).toContain('Never together with food.')
  })

  it('says what was measured', () => {
    const measured = {
      ...dryer,
      airChangesPerHour: null,
      behaviour: { ...dryer.behaviour, measured: true, hottestAboveSetK: 2, uncertaintyK: 0.5 },
    }
    const facts = mount(DryerFacts, { props: { dryer: measured }, ...links })
    expect(facts.text()).toContain('measured: hottest spot 2.0 °C ± 0.5 °C')
    expect(facts.text()).toContain('vented freely')
  })
})

describe('when somebody is there', () => {
  const week = {
    version: 3,
    windows: [
      { weekday: 1, fromMin: 480, toMin: 720 },
      { weekday: 1, fromMin: 780, toMin: 1080 },
    ],
  }

  it('is a line a day', () => {
    const editor = mount(AttendanceEditor, { props: { week } })
    expect(editor.find<HTMLInputElement>('#attendance-0').element.value).toBe(
      '8:00-12:00, 13:00-18:00',
    )
    expect(editor.find<HTMLInputElement>('#attendance-6').element.value).toBe('')
  })

  it('is read back in minutes of the day', async () => {
    const sent = serve({ '/api/attendance': [] })
    const editor = mount(AttendanceEditor, { props: { week } })
    await editor.find('#attendance-5').setValue('10 to 16:30')
    await editor.find('form').trigger('submit')
    await flushPromises()
    const put = sent.find((each) => each.method === 'PUT')?.body as typeof week
    expect(put.version).toBe(3)
    expect(put.windows).toContainEqual({ weekday: 6, fromMin: 600, toMin: 990 })
    expect(editor.emitted('saved')).toHaveLength(1)
  })

  it('names what it cannot read and sends nothing', async () => {
    const sent = serve({ '/api/attendance': [] })
    const editor = mount(AttendanceEditor, { props: { week } })
    await editor.find('#attendance-2').setValue('noon')
    await editor.find('form').trigger('submit')
    await flushPromises()
    expect(editor.text()).toContain('Wednesday')
    expect(editor.text()).toContain('“noon”')
    expect(sent).toHaveLength(0)
  })
})

describe('the plan as lanes', () => {
  const view = make('PlanView', {
    startS: START_S,
    lanes: [
      { dryerId: 1, name: 'bench', slots: 2, outOfOrder: false, freeFromS: START_S },
      { dryerId: 2, name: 'big', slots: 4, outOfOrder: true, freeFromS: START_S + 6 * HOUR_S },
    ],
    plan: make('PlanAnswer', {
      charges: [
        make('LoadPlan', {
          dryerId: 1,
          dryer: 'bench',
          startHour: 12,
          endHour: 20,
          neededHours: 6,
          setpointC: 65,
          energyKWh: 1,
          codes: ['AAAA', 'BBBB'],
          jobIds: [1, 2],
        }),
      ],
      jobs: [
        make('JobPlan', { jobId: 1, code: 'AAAA', startHour: 24, hours: 4, served: true }),
        make('JobPlan', { jobId: 2, code: 'BBBB', startHour: 44, hours: 0, served: false }),
      ],
    }),
  })
  const spool = make('SpoolView', {
    code: 'AAAA',
    dryTargetPercent: 0.08,
    printLimitPercent: 0.2,
  })
  const lanes = (chosen: string | null) =>
    mount(PlanLanes, {
      props: {
        view,
        week: [{ weekday: 1, fromMin: 0, toMin: 1440 }],
        spools: [spool],
        course: chosen
          ? [
              { hour: 0, outerPercent: 0.31, meanPercent: 0.3, corePercent: 0.28 },
              { hour: 12, outerPercent: 0.33, meanPercent: 0.31, corePercent: 0.29 },
              { hour: 20, outerPercent: 0.04, meanPercent: 0.05, corePercent: 0.07 },
            ]
          : [],
        chosen,
      },
      ...links,
    })

  it('puts loads and deadlines on one scale', () => {
    const drawn = lanes(null)
    // 48 h are shown for the last job at 44 h.
    expect(Number(drawn.find('.load .hot').attributes('x'))).toBe(250)
    expect(Number(drawn.find('.load .needed').attributes('width'))).toBe(125)
    const deadlines = drawn.findAll('.deadline')
    expect(Number(deadlines[0]?.attributes('x1'))).toBe(500)
    expect(deadlines[1]?.classes()).toContain('missed')
    expect(drawn.text()).toContain('out of order')
    expect(drawn.find('.load').attributes('aria-label')).toContain('bench: AAAA, BBBB at 65 °C')
  })

  it('shows the moisture of the chosen spool underneath', () => {
    expect(lanes(null).find('.curve').exists()).toBe(false)
    const points = lanes('AAAA').find('.curve').attributes('points')?.split(' ') ?? []
    const height = (point?: string) => Number(point?.split(',')[1])
    expect(height(points.at(-1))).toBeGreaterThan(height(points[0]))
    // In its bag it keeps what it has: level to the right edge.
    expect(points.at(-1)?.split(',')[0]).toBe('1000')
    expect(height(points.at(-1))).toBe(height(points.at(-2)))
  })

  it('lets arrow keys carry a load and Enter pin it there', async () => {
    const drawn = lanes('AAAA')
    const load = drawn.find('.load')
    await load.trigger('keydown', { key: 'ArrowRight' })
    await load.trigger('keydown', { key: 'ArrowRight' })
    await load.trigger('keydown', { key: 'ArrowDown' })
    expect(drawn.find('[role="status"]').text()).toContain('AAAA, BBBB to big')
    expect(drawn.emitted('moved')).toBeUndefined()
    await load.trigger('keydown', { key: 'Enter' })
    expect(drawn.emitted('moved')?.[0]?.slice(1)).toEqual([2, 13])
    expect(drawn.find('[role="status"]').exists()).toBe(false)
  })

  it('lets Escape put a carried load back', async () => {
    const drawn = lanes('AAAA')
    const load = drawn.find('.load')
    await load.trigger('keydown', { key: 'ArrowLeft' })
    await load.trigger('keydown', { key: 'Escape' })
    await load.trigger('keydown', { key: 'Enter' })
    expect(drawn.emitted('moved')).toBeUndefined()
    for (let i = 0; i < 40; i++) {
      await load.trigger('keydown', { key: 'ArrowLeft' })
    }
    await load.trigger('keydown', { key: 'Enter' })
    expect(drawn.emitted('moved')?.[0]?.slice(1)).toEqual([1, 0])
  })
})

describe('the run sheet', () => {
  const line = (key: string, atS: number, more = {}) => ({
    key,
    atS,
    overdue: false,
    doer: 'PERSON',
    what: `do ${key}`,
    why: 'because',
    ifSkipped: 'wet again',
    link: '/dry',
    said: null,
    actId: null,
    person: null,
    ...more,
  })
  const sheet = {
    nowS: START_S,
    lines: [
      line('late', START_S - 9_000, { overdue: true }),
      line('soon', START_S + 600),
      line('tomorrow', START_S + 86_400),
    ],
    settled: [line('past', START_S, { said: 'DONE', actId: 5, person: 'Ada' })],
  }

  it('stands under its days, what is overdue first, with reasons', async () => {
    serve({ '/api/today': sheet })
    const station = mount(TodayStation, links)
    await flushPromises()
    const days = station.findAll('h2').map((each) => each.text())
    expect(days[0]).toBe('Overdue')
    expect(days).toHaveLength(4)
    expect(station.text()).toContain('If skipped: wet again')
    expect(station.find('.settled').text()).toContain('Ada')
    station.unmount()
  })

  it('says while the plan is made that its lines follow', async () => {
    serve({ '/api/today': { ...sheet, changing: true } })
    const station = mount(TodayStation, links)
    await flushPromises()
    expect(station.get('[data-testid=changing]').text()).toContain('The plan is being made')
    station.unmount()
    serve({ '/api/today': sheet })
    const later = mount(TodayStation, links)
    await flushPromises()
    expect(later.find('[data-testid=changing]').exists()).toBe(false)
    later.unmount()
  })

  it('tells the server what was said of a line', async () => {
    const sent = serve({ '/api/today': sheet, '/api/today/acts': { id: 9 } })
    const station = mount(TodayStation, links)
    await flushPromises()
    await station
      .findAll('button')
      .find((each) => each.text() === 'done: do soon')
      ?.trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toMatchObject({
      key: 'soon',
      kind: 'DONE',
    })
    await station.find('[aria-label="in 2 h again: do soon"]').trigger('click')
    await flushPromises()
    const snoozed = sent.filter((each) => each.method === 'POST')[1]?.body as { until: string }
    // By the program's clock, whatever the computer's own says.
    expect(Date.parse(snoozed.until)).toBe(1000 * (START_S + 7200))
    station.unmount()
  })

  it('is only read on a wall', async () => {
    serve({ '/api/today': sheet })
    const station = mount(TodayStation, { props: { wall: true }, ...links })
    await flushPromises()
    expect(station.findAll('.acts')).toHaveLength(0)
    expect(station.find('.settled').exists()).toBe(false)
    station.unmount()
  })
})
