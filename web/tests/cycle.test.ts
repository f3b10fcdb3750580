import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useActs } from '@/stores/acts'
import CyclePage from '@/stations/dry/CyclePage.vue'
import StartCycle from '@/stations/dry/StartCycle.vue'
import { plain, refuse, serve, type Sent } from './pages'

const push = vi.hoisted(() => vi.fn())
vi.mock('vue-router', async (original) => ({
  ...(await original<typeof import('vue-router')>()),
  useRouter: () => ({ push }),
}))

const NOW_S = Math.round(Date.now() / 1000)
const HOUR_S = 3600

beforeEach(() => {
  setActivePinia(createPinia())
  push.mockReset()
})
afterEach(() => vi.unstubAllGlobals())

function spool(more = {}) {
  return {
    code: 'AAAA',
    dryNow: false,
    likelyPrintsS: NOW_S + HOUR_S,
    surePrintsS: NOW_S + 2 * HOUR_S,
    likelyDryS: NOW_S + 3 * HOUR_S,
    sureDryS: NOW_S + 5 * HOUR_S,
    nextWeighingS: NOW_S + 2 * HOUR_S,
    floorPercent: 0.02,
    targetPercent: 0.08,
    corePercent: 0.15,
    meanPercent: 0.12,
    removedG: null,
    proof: null,
    scaleTooCoarse: false,
    scaleStepNeededG: null,
    past: [],
    ahead: [],
    ...more,
  }
}

function view(stage: string, spools: object[] = [spool()], more = {}) {
  return {
    summary: {
      id: 5,
      dryerId: 3,
      dryer: 'bench',
      stage,
      codes: ['AAAA'],
      startedS: NOW_S - 2 * HOUR_S,
      plannedEndS: NOW_S + 6 * HOUR_S,
      stoppedS: null,
      hours: 8,
      setpointC: 65,
      alarm: null,
    },
    spools,
    temperatures: [],
    heated: [],
    coldSpans: [],
    unanswered: [],
    events: [],
    shownC: null,
    harmC: null,
    ...more,
  }
}

async function page(answers: Record<string, unknown>) {
  const sent = serve(answers)
  const shown = mount(CyclePage, { props: { id: 5 }, global: plain })
  await flushPromises()
  return { shown, sent }
}

function acted(sent: Sent[]): unknown[] {
  return sent.filter((each) => each.path === '/api/cycles/5/acts').map((each) => each.body)
}

describe('the page of a cycle', () => {
  it('says how it stands and the one thing to do next', async () => {
    const { shown } = await page({ '/api/cycles/5': view('RUNNING') })
    expect(shown.get('[data-testid="cycle-headline"]').text()).toMatch(/^bench: 65 °C until /)
    expect(shown.get('[data-testid="cycle-next"]').text()).toMatch(/^Weigh AAAA at /)
    expect(shown.text()).toContain('core 0.15')
    shown.unmount()
  })

  it('says to take out what is dry before anything else', async () => {
    const dry = spool({ code: 'BBBB', dryNow: true, removedG: 1.84, proof: 'DRY' })
    const { shown } = await page({ '/api/cycles/5': view('RUNNING', [spool(), dry]) })
    expect(shown.get('[data-testid="cycle-next"]').text()).toBe(
      'BBBB: dry to the core, nine times in ten. Take it out.',
    )
    expect(shown.text()).toContain('1.8 g of water out')
    expect(shown.text()).toContain('constant mass: proven dry')
    shown.unmount()
  })

  it('leads with from when it prints, and says when it does already', async () => {
    const { shown } = await page({ '/api/cycles/5': view('RUNNING') })
    expect(shown.text()).toMatch(/prints surely from .*, probably .*fully dry surely/)
    shown.unmount()
    const printing = spool({ likelyPrintsS: NOW_S - 60, surePrintsS: NOW_S })
    const later = await page({ '/api/cycles/5': view('RUNNING', [printing]) })
    expect(later.shown.text()).toMatch(/prints now\s*fully dry surely/)
    expect(later.shown.get('[data-testid="cycle-next"]').text()).toContain(
      'AAAA prints already; what is left of the cycle dries its core.',
    )
    later.shown.unmount()
  })

  it('never calls constant what this air keeps from drying', async () => {
    const stuck = spool({
      likelyPrintsS: null,
      surePrintsS: null,
      likelyDryS: null,
      sureDryS: null,
      nextWeighingS: null,
      proof: 'AIR_TAKES_NO_MORE',
    })
    const { shown } = await page({ '/api/cycles/5': view('RUNNING', [stuck]) })
    expect(shown.text()).toContain('this air can take no more: not dry')
    expect(shown.text()).toMatch(/never dry enough to print in this air\s*never below 0.02/)
    shown.unmount()
  })

  it('says what is wrong with the scale and which would do', async () => {
    const coarse = spool({ scaleTooCoarse: true, scaleStepNeededG: 0.05, nextWeighingS: null })
    const { shown } = await page({ '/api/cycles/5': view('RUNNING', [coarse]) })
    expect(shown.text()).toContain('take a scale of 0.05 g')
    expect(shown.get('[data-testid="cycle-next"]').text()).toContain('a finer one would')
    shown.unmount()
  })

  it('pauses, and what was paused can be undone', async () => {
    const { shown, sent } = await page({
      '/api/cycles/5': view('RUNNING'),
    })
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Pause')
      ?.trigger('click')
    await flushPromises()
    expect(acted(sent)).toEqual([{ act: 'PAUSE' }])
    expect(useActs().done?.text).toBe('bench: it was done')
    await useActs().undo(useActs().done?.act ?? 0)
    expect(sent.some((each) => each.path === '/api/acts/77/undo')).toBe(true)
    expect(useActs().done?.text).toBe('Undone: bench: it was done')
    shown.unmount()
  })

  it('keeps what it showed where the server refuses, and says why', async () => {
    const { shown } = await page({
      '/api/cycles/5': view('RUNNING'),
      'POST /api/cycles/5/acts': refuse('value', '90 °C', 'up to 64.2 °C for AAAA', 'Rewind it.'),
    })
    await shown.get('#setting').setValue('90')
    await shown.findAll('form')[1]?.trigger('submit')
    await flushPromises()
    expect(shown.text()).toContain('up to 64.2 °C for AAAA')
    expect(shown.text()).toContain('Rewind it.')
    expect(shown.find('[data-testid="cycle-headline"]').text()).toContain('65 °C')
    expect(useActs().done).toBeNull()
    shown.unmount()
  })

  it('asks what happened while the program was off, and tells the answer', async () => {
    const off = { id: 9, kind: 'UNSEEN', atS: NOW_S - HOUR_S, untilS: NOW_S - 600 }
    const { shown, sent } = await page({
      '/api/cycles/5': view('RUNNING', [spool()], { unanswered: [off] }),
      'POST /api/cycles/5/acts': { id: 78 },
    })
    expect(shown.get('[role="alert"]').text()).toContain('Did the dryer run on?')
    await shown.findAll('[role="alert"] button')[1]?.trigger('click')
    await flushPromises()
    expect(acted(sent)).toEqual([
      {
        act: 'WITHOUT_POWER',
        at: new Date(1000 * (NOW_S - HOUR_S)).toISOString(),
        until: new Date(1000 * (NOW_S - 600)).toISOString(),
      },
    ])
    shown.unmount()
  })

  it('offers nothing more once it was stopped', async () => {
    const { shown } = await page({ '/api/cycles/5': view('STOPPED', []) })
    expect(shown.get('[data-testid="cycle-headline"]').text()).toContain('bench: stopped')
    expect(shown.find('[data-testid="stop-cycle"]').exists()).toBe(false)
    shown.unmount()
  })
})

describe('starting a cycle', () => {
  const props = {
    codes: ['AAAA', 'BBBB'],
    dryerId: 3,
    setpointC: 64.27,
    startC: 64.27,
    sureHours: 7.2,
    stale: false,
  }

  it('proposes the sure time in half hours and keeps below the ceiling', async () => {
    const sent = serve({ 'POST /api/cycles': { id: 12 } })
    const start = mount(StartCycle, { props, global: plain })
    await start.get('form').trigger('submit')
    await flushPromises()
    expect(
      sent.find((each) => each.path === '/api/cycles' && each.method === 'POST')?.body,
    ).toEqual({ dryerId: 3, codes: ['AAAA', 'BBBB'], setpointC: 64.2, hours: 7.5 })
    expect(push).toHaveBeenCalledWith('/cycle/12')
  })

  it('says the cooler first hours before anybody turns the dial', () => {
    serve({})
    const start = mount(StartCycle, { props: { ...props, startC: 55 }, global: plain })
    expect(start.text()).toContain('Set 55 °C for the first 2 h, then 64')
  })

  it('stays where it is when the server refuses', async () => {
    serve({
      'POST /api/cycles': refuse('codes', 'AAAA, sealed in its bag', 'open ones', 'Open it.'),
    })
    const start = mount(StartCycle, { props, global: plain })
    await start.get('form').trigger('submit')
    await flushPromises()
    expect(start.text()).toContain('sealed in its bag')
    expect(push).not.toHaveBeenCalled()
  })
})
