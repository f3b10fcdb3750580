import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, expect, it, vi } from 'vitest'
import HygrometerCheck from '@/stations/devices/HygrometerCheck.vue'
import LogImport from '@/stations/place/LogImport.vue'
import { effectScope, nextTick, ref } from 'vue'
import { questions, useLatestAnswer } from '@/parts/latestAnswer'
import { plain } from './pages'
import { make } from './contract'

afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

it('counts only the last question', () => {
  const question = questions()
  const first = question()
  expect(first()).toBe(true)
  const second = question()
  expect(first()).toBe(false)
  expect(second()).toBe(true)
})

/** Else a lever goes back under the hand that moves it, as if its last answer had come. */
it('owes an answer to a change made while the answer to the one before comes', async () => {
  vi.useFakeTimers()
  const scope = effectScope()
  const asked = ref(1)
  const waiting: ((answer: string) => void)[] = []
  const { view, busy } = scope.run(() =>
    useLatestAnswer([asked], () => new Promise<string>((tell) => waiting.push(tell)), 40),
  )!
  await vi.advanceTimersByTimeAsync(40)
  asked.value = 2
  await nextTick()
  waiting[0]!('to the first')
  await flushPromises()
  expect(view.value).toBe('to the first')
  expect(busy.value).toBe(true)
  await vi.advanceTimersByTimeAsync(40)
  waiting[1]!('to the second')
  await flushPromises()
  expect([view.value, busy.value]).toEqual(['to the second', false])
  scope.stop()
})

it('is busy with nothing once there is nothing to ask any more', async () => {
  vi.useFakeTimers()
  const scope = effectScope()
  const ready = ref(true)
  const { busy } = scope.run(() => useLatestAnswer([], () => Promise.resolve(1), 40, ready))!
  expect(busy.value).toBe(true)
  ready.value = false
  await nextTick()
  expect(busy.value).toBe(false)
  scope.stop()
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
  const check = mount(HygrometerCheck, {
    props: { device: make('DeviceView', { id: 1 }) },
    global: plain,
  })
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

/** Two questions answered quickly: the preview after the first must not undo the second. */
it('previews a log by all that was answered although the first preview comes last', async () => {
  const reply = (body: object) =>
    new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } })
  const layout = {
    delimiter: ';',
    decimalComma: true,
    hasHeader: true,
    columns: ['t', 'c', 'h'],
    timeColumns: [0],
    dateOrder: 'DAY_FIRST',
    temperatureColumn: 1,
    humidityColumn: 2,
    temperatureUnit: 'CELSIUS',
    humidityUnit: 'PERCENT',
  }
  const question = (about: string, value: string) => ({
    about,
    text: `${about}?`,
    options: [{ value, text: value }],
  })
  const date = question('dateOrder', 'DAY_FIRST')
  const unit = question('humidityUnit', 'FRACTION')
  const preview = (questions: object[]) => ({
    uploadId: 'u',
    fileName: 'a.csv',
    readings: 2,
    newReadings: 2,
    rejected: [],
    rejectedCount: 0,
    firstRows: [],
    questions,
    layout,
  })
  const waiting: ((body: object) => void)[] = []
  vi.stubGlobal('fetch', (request: Request) =>
    new URL(request.url).pathname.endsWith('/climate-files')
      ? Promise.resolve(reply(preview([date, unit])))
      : new Promise((resolve) => waiting.push((body) => resolve(reply(body)))),
  )
  const log = mount(LogImport, { props: { placeId: 1 }, global: plain })
  const input = log.get('[data-testid=log-file]')
  Object.defineProperty(input.element, 'files', { value: [new File(['x'], 'a.csv')] })
  await input.trigger('change')
  await vi.waitFor(() => log.get('[data-testid=answer-DAY_FIRST]'), 60_000)
  await log.get('[data-testid=answer-DAY_FIRST]').trigger('click')
  await log.get('[data-testid=answer-FRACTION]').trigger('click')
  await flushPromises()
  const store = () => log.get<HTMLButtonElement>('[data-testid=store-log]').element
  waiting[1]!(preview([]))
  await flushPromises()
  expect(store().disabled).toBe(false)
  waiting[0]!(preview([unit]))
  await flushPromises()
  expect(store().disabled).toBe(false)
  expect(log.find('[data-testid=answer-FRACTION]').exists()).toBe(false)
})
