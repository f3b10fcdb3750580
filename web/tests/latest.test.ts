import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, expect, it, vi } from 'vitest'
import HygrometerCheck from '@/stations/devices/HygrometerCheck.vue'
import { questions } from '@/parts/latestAnswer'
import { plain } from './pages'

afterEach(() => vi.unstubAllGlobals())

it('counts only the last question', () => {
  const question = questions()
  const first = question()
  expect(first()).toBe(true)
  const second = question()
  expect(first()).toBe(false)
  expect(second()).toBe(true)
})

/** The answer to one salt comes after the one to both: it must not stand. */
it('shows what both salts say although the first answer comes last', async () => {
  setActivePinia(createPinia())
  const waiting: ((body: object) => void)[] = []
  vi.stubGlobal('fetch', (request: Request) =>
    request.url.includes('/api/salts')
      ? Promise.resolve(new Response('[]', { headers: { 'Content-Type': 'application/json' } }))
      : new Promise((resolve) =>
          waiting.push((body) =>
            resolve(
              new Response(JSON.stringify(body), {
                headers: { 'Content-Type': 'application/json' },
              }),
            ),
          ),
        ),
  )
  const check = mount(HygrometerCheck, { props: { device: { id: 1 } as never }, global: plain })
  await flushPromises()
  await check.get('#salt-r-0').setValue('36.1')
  await check.get('#salt-r-1').setValue('78.9')
  await flushPromises()
  const said = { uncertaintyPercent: 2, gain: 1, offsetPercent: -3 }
  waiting[1]?.({ ...said, correctedPercent: 16.9, verdict: 'GOOD' })
  await flushPromises()
  waiting[0]?.({ ...said, correctedPercent: 16.8, verdict: 'ONE_POINT_ONLY' })
  await flushPromises()
  expect(check.get('[data-testid="check-outcome"]').text()).toContain('16.9 ± 2.0')
  expect(check.text()).not.toContain('From one salt')
})
