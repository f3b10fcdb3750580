import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import DryerPage from '@/stations/dry/DryerPage.vue'
import { plain, refuse, serve } from './pages'

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.unstubAllGlobals())

const KINDS = [
  {
    kind: 'PURPOSE_MADE',
    title: 'Purpose-made',
    airChangesLow: 0.5,
    airChangesHigh: 4,
    cautions: [],
  },
  {
    kind: 'KITCHEN_OVEN',
    title: 'Kitchen oven',
    airChangesLow: 5,
    airChangesHigh: 20,
    cautions: ['Never together with food.'],
  },
]

function dryer(more = {}) {
  return {
    placeId: 7,
    name: 'bench',
    kind: 'PURPOSE_MADE',
    kindTitle: 'Purpose-made',
    ratedMaxC: 70,
    volumeL: 12,
    airChangesPerHour: 2,
    slots: 2,
    feedsOut: false,
    turnsItselfOff: true,
    outOfOrder: false,
    maySwitchOff: false,
    behaviour: {
      measured: false,
      biasK: -3,
      hottestAboveSetK: 8,
      uncertaintyK: 6,
      heatUpMin: 20,
    },
    measurement: null,
    generalCaution: 'Never unattended.',
    ...more,
  }
}

async function page(answers: Record<string, unknown>) {
  const sent = serve({ '/api/dryers/7': dryer(), '/api/dryer-kinds': KINDS, ...answers })
  const shown = mount(DryerPage, { props: { id: 7 }, global: plain })
  await flushPromises()
  await flushPromises()
  return { shown, sent }
}

describe('the page of a dryer', () => {
  it('says what not being measured costs', async () => {
    const { shown } = await page({})
    expect(shown.text()).toContain('Not measured: taken for one of its kind')
    expect(shown.text()).toContain('Every limit is lowered by 14 °C')
    expect(shown.text()).toContain('Never unattended.')
  })

  it('works the volume out of inside dimensions', async () => {
    const { shown, sent } = await page({})
    await shown.get('#inside-length').setValue('300')
    await shown.get('#inside-width').setValue('250')
    expect(shown.get<HTMLInputElement>('#dryer-volume').element.value).toBe('12')
    await shown.get('#inside-height').setValue('200')
    expect(shown.get<HTMLInputElement>('#dryer-volume').element.value).toBe('15')
    await shown
      .get('[data-testid="save-dryer"]')
      .element.closest('form')
      ?.dispatchEvent(new Event('submit'))
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toMatchObject({
      kind: 'PURPOSE_MADE',
      volumeL: 15,
      insideLengthMm: 300,
    })
    expect(shown.text()).toContain('kept')
  })

  it('shows the cautions of the kind that is chosen, before it is kept', async () => {
    const { shown } = await page({})
    expect(shown.text()).not.toContain('Never together with food.')
    await shown.get('#kind').setValue('KITCHEN_OVEN')
    expect(shown.text()).toContain('Never together with food.')
  })

  it('names what the server refuses and keeps what was typed', async () => {
    const { shown } = await page({
      'PUT /api/dryers/7': refuse('slots', '0', '1 to 24', 'A dryer holds at least one reel.'),
    })
    await shown.get('#slots').setValue('0')
    await shown
      .get('[data-testid="save-dryer"]')
      .element.closest('form')
      ?.dispatchEvent(new Event('submit'))
    await flushPromises()
    expect(shown.text()).toContain('A dryer holds at least one reel.')
    expect(shown.get<HTMLInputElement>('#slots').element.value).toBe('0')
  })

  it('evaluates the vent by power first and keeps it only when asked', async () => {
    const { shown, sent } = await page({
      'POST /api/dryers/7/air-exchange': { airChangesPerHour: 107.8 },
    })
    await shown.get('#open-w').setValue('210')
    await shown.get('#closed-w').setValue('95')
    await shown.get('#open-w').element.closest('form')?.dispatchEvent(new Event('submit'))
    await flushPromises()
    expect(shown.text()).toContain('108 air changes an hour')
    const asked = () => sent.filter((each) => each.path.endsWith('/air-exchange'))
    expect(asked().map((each) => (each.body as { keep: boolean }).keep)).toEqual([false])
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Use it')
      ?.trigger('click')
    await flushPromises()
    expect(asked().map((each) => (each.body as { keep: boolean }).keep)).toEqual([false, true])
  })
})
