import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useActs } from '@/stores/acts'
import PlanPage from '@/stations/plan/PlanPage.vue'
import { ACT, plain, refuse, serve } from './pages'

const START_S = 1_760_000_400

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.unstubAllGlobals())

const LOAD = {
  dryerId: 1,
  dryer: 'bench',
  startHour: 4,
  outHour: 12,
  endHour: 12,
  neededHours: 7,
  setpointC: 65,
  energyKWh: 0.84,
  codes: ['AAAA'],
  jobIds: [1],
}

function placed(jobId: number, more = {}) {
  return {
    jobId,
    name: `job ${jobId}`,
    code: 'AAAA',
    startHour: 30,
    hours: 4,
    dryerId: 1,
    chargeStartHour: 4,
    pinned: false,
    served: true,
    why: 'Dry to the core after 7 h.',
    waysOut: [],
    ...more,
  }
}

function job(id: number) {
  return {
    id,
    name: `job ${id}`,
    material: 'PETG',
    code: null,
    grams: 120,
    startS: START_S + 30 * 3600,
    hours: 4,
    inDryBox: false,
    someTime: false,
    version: 0,
    past: false,
  }
}

function plan(jobs: object[], unserved = 0, more = {}) {
  return {
    startS: START_S,
    seeking: false,
    progress: 1,
    improvements: 3,
    problem: null,
    lanes: [{ dryerId: 1, name: 'bench', slots: 2, outOfOrder: false, freeFromS: START_S }],
    plan: { charges: [LOAD], jobs, unserved, costPoints: 300 },
    ...more,
  }
}

async function page(answers: Record<string, unknown>) {
  const sent = serve({
    '/api/plan': plan([placed(1)]),
    '/api/jobs': [job(1)],
    '/api/attendance': { version: 0, windows: [] },
    '/api/plan/courses/AAAA': [],
    ...answers,
  })
  const shown = mount(PlanPage, { global: plain })
  await flushPromises()
  return { shown, sent }
}

describe('the page of the plan', () => {
  it('says in one line whether all jobs are served, and where each spool goes', async () => {
    const { shown, sent } = await page({})
    expect(shown.get('h1').text()).toBe('The job will have dry filament')
    expect(shown.text()).toContain('1 load, 0.8 kWh')
    expect(shown.get('[data-testid="jobs"]').text()).toContain('AAAA into bench')
    expect(shown.text()).toContain('Dry to the core after 7 h.')
    expect(sent.some((each) => each.path === '/api/plan/courses/AAAA')).toBe(true)
  })

  it('shows the ways out where a job is not served', async () => {
    const missed = placed(2, {
      served: false,
      dryerId: null,
      chargeStartHour: null,
      why: 'Drying takes 7 h at least, and it starts in 3 h.',
      waysOut: ['Start it 4 h later.'],
    })
    const { shown } = await page({
      '/api/plan': plan([placed(1), missed], 1),
      '/api/jobs': [job(1), job(2)],
    })
    expect(shown.get('h1').text()).toBe('1 of 2 jobs will have dry filament')
    expect(shown.text()).toContain('AAAA, not dry by then')
    expect(shown.get('.ways').text()).toBe('Start it 4 h later.')
  })

  it('adds a job and plans again; a refusal names the field', async () => {
    const refused = await page({
      'POST /api/jobs': refuse('startAt', 'yesterday', 'a time to come', 'Give a new one.'),
    })
    await refused.shown.get('#job-name').setValue('duct')
    await refused.shown.get('form').trigger('submit')
    await flushPromises()
    expect(refused.shown.text()).toContain('Or tick that it may print some time this week.')
    expect(refused.sent.some((each) => each.method === 'POST')).toBe(false)
    await refused.shown.get('#job-start').setValue('2026-01-05T10:00')
    await refused.shown.get('form').trigger('submit')
    await flushPromises()
    expect(refused.shown.text()).toContain('a time to come')
    expect(refused.shown.get<HTMLInputElement>('#job-name').element.value).toBe('duct')
    expect(refused.sent.some((each) => each.path === '/api/plan/runs')).toBe(false)

    const { shown, sent } = await page({ 'POST /api/jobs': job(2) })
    await shown.get('#job-name').setValue('job 2')
    await shown.findAll('form input[type="checkbox"]')[0]!.setValue(true)
    await shown.get('form').trigger('submit')
    await flushPromises()
    const added = sent.find((each) => each.path === '/api/jobs' && each.method === 'POST')
    expect(added?.body).not.toHaveProperty('startAt')
    expect(sent.some((each) => each.path === '/api/plan/runs')).toBe(true)
    expect(useActs().done?.act).toBe(ACT)
  })

  it('changes a job in the same form, as it was read', async () => {
    const { shown, sent } = await page({})
    await shown
      .findAll('button')
      .find((each) => each.text() === 'change')!
      .trigger('click')
    expect(shown.get<HTMLInputElement>('#job-name').element.value).toBe('job 1')
    await shown.get('#job-grams').setValue('77')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')).toMatchObject({
      path: '/api/jobs/1',
      body: { grams: 77, version: 0 },
    })
    expect(shown.text()).toContain('Add a job')
  })

  it('pins a load that is carried elsewhere, to be undone as one act', async () => {
    const { shown, sent } = await page({})
    const load = shown.get('.load')
    await load.trigger('keydown', { key: 'ArrowRight' })
    await load.trigger('keydown', { key: 'Enter' })
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')).toMatchObject({
      path: '/api/plan/pins',
      body: {
        pins: [{ jobId: 1, code: 'AAAA' }],
        dryerId: 1,
        startAt: new Date(1000 * (START_S + 4.5 * 3600)).toISOString(),
      },
    })
    expect(useActs().done?.act).toBe(ACT)
  })

  it('shows how far a search is and lets it be good enough', async () => {
    const { shown, sent } = await page({
      '/api/plan': plan([placed(1)], 0, { seeking: true, progress: 0.4 }),
    })
    expect(shown.get('progress').attributes('value')).toBe('0.4')
    expect(shown.text()).toContain('3 better found')
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Good enough')
      ?.trigger('click')
    await flushPromises()
    expect(sent.some((each) => each.path === '/api/plan/cancel')).toBe(true)
    shown.unmount()
  })
})
