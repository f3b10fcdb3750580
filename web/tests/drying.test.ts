import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import SetpointRisk from '@/parts/SetpointRisk.vue'
import type { JobSheet } from '@/stations/print/sheet'
import WaterOfJob from '@/stations/print/WaterOfJob.vue'

const Page = { template: '<p />' }
const router = createRouter({
  history: createMemoryHistory(),
  routes: [{ path: '/:page(.*)*', component: Page }],
})

/** Answers every request alike; returns what was sent. */
function serve(reply: unknown): string[] {
  const sent: string[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    if (request.method === 'GET') {
      return new Response('[]', { headers: { 'Content-Type': 'application/json' } })
    }
    sent.push(`${request.method} ${new URL(request.url).pathname} ${await request.text()}`)
    return new Response(JSON.stringify(reply), {
      headers: { 'Content-Type': 'application/json' },
    })
  })
  return sent
}

afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the risk of a setpoint', () => {
  const ceiling = { cautiousC: 53.2, temperatureC: 66, risk: 'Never measured.' }

  async function shown(setpointC: number | null) {
    vi.useFakeTimers()
    const sent = serve({ forecast: { spools: [{ name: 'K7F4', ceiling }] } })
    const risk = mount(SetpointRisk, { props: { dryerId: 3, codes: ['K7F4'], setpointC } })
    await vi.advanceTimersByTimeAsync(500)
    vi.useRealTimers()
    await flushPromises()
    return { text: risk.text(), sent }
  }

  it('is said above what is safe', async () => {
    const { text, sent } = await shown(66)
    expect(text).toBe('K7F4: Never measured.')
    expect(sent).toEqual([
      'POST /api/load-forecast {"codes":["K7F4"],"dryerId":3,"dryer":{"setpointC":66}}',
    ])
  })

  it('is silent up to there, and asks nothing where nothing is set', async () => {
    expect((await shown(53.5)).text).toBe('')
    expect((await shown(null)).sent).toEqual([])
  })
})

describe('water of a job on its sheet', () => {
  const wet: Partial<JobSheet> = {
    code: 'K7F4',
    metres: [
      { hour: 0, percent: 0.4 },
      { hour: 3, percent: 0.5 },
    ],
    printLimitPercent: 0.2,
    waterVerdict: 'Dry it first.',
    hangsIn: 'Press 1',
    runId: null,
    planned: null,
  }

  function sheet(more: Partial<JobSheet>) {
    const view = Object.assign({} as JobSheet, wet, more)
    return mount(WaterOfJob, { props: { view }, global: { plugins: [router] } })
  }

  it('offers to plan its drying', async () => {
    const asked = new Promise((resolve) => {
      vi.stubGlobal('fetch', async (request: Request) => {
        resolve(`${request.method} ${new URL(request.url).pathname} ${await request.text()}`)
        return new Response('{}', { headers: { 'Content-Type': 'application/json' } })
      })
    })
    await sheet({}).get('button').trigger('click')
    expect(await asked).toBe('POST /api/plan/runs {"seconds":10}')
  })

  it('names the load that dries it', () => {
    const startS = Date.now() / 1000 + 3600
    const planned = {
      code: 'K7F4',
      dryerId: 3,
      dryer: 'Bench dryer',
      startS,
      endS: startS + 9 * 3600,
      setpointC: 61.4,
      served: true,
    }
    expect(sheet({ planned }).get('[data-testid="sheet-drying"]').text()).toMatch(
      /^Planned: into Bench dryer .* at 61 °C, out .*\. The plan$/,
    )
    const other = sheet({ planned: { ...planned, code: 'XX22', served: false } })
    expect(other.text()).toContain('The plan gives this job XX22.')
    expect(other.text()).toContain('not dry by then')
    const none = sheet({ planned: { ...planned, dryerId: null, dryer: null, served: false } })
    expect(none.text()).toContain('The plan finds no dryer in time.')
  })

  it('says nothing of drying where it is dry', () => {
    const dry = sheet({ metres: [{ hour: 0, percent: 0.1 }] })
    expect(dry.find('[data-testid="sheet-drying"]').exists()).toBe(false)
  })
})
