import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@/api/client'
import { useActs } from '@/stores/acts'
import { usePreferences } from '@/stores/preferences'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import { make } from './contract'

/** Answers of the server, in order; each is a body or a refusal. */
type Reply = { status?: number; body: unknown; after?: number; act?: number }

const requests: { method: string; path: string; body: string }[] = []

function serve(...replies: Reply[]) {
  const queue = [...replies]
  vi.stubGlobal(
    'fetch',
    vi.fn(async (request: Request) => {
      requests.push({
        method: request.method,
        path: new URL(request.url).pathname + new URL(request.url).search,
        body: await request.clone().text(),
      })
      const reply = queue.length > 1 ? queue.shift()! : queue[0]!
      if (reply.after) {
        await new Promise((resolve) => setTimeout(resolve, reply.after))
      }
      return new Response(JSON.stringify(reply.body), {
        status: reply.status ?? 200,
        headers: {
          'Content-Type': 'application/json',
          ...(reply.act ? { Act: String(reply.act) } : {}),
        },
      })
    }),
  )
}

function shelfView(nowS: number, pending = 0) {
  return {
    nowS,
    pending,
    frameHours: [0, 1, 336],
    places: [{ place: { id: 7, name: 'Window shelf' } }],
    spools: [],
  }
}

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  requests.length = 0
})

afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('shelf', () => {
  it('is read in one request for the next job', async () => {
    serve({ body: shelfView(1000) })
    await useShelf().read()
    expect(requests.map((r) => r.path)).toEqual(['/api/shelf?grams=100'])
    expect(useShelf().placeName(7)).toBe('Window shelf')
    expect(useShelf().placeName(8)).toBe('')
  })

  it('asks again soon while spools are being computed, and seldom afterwards', async () => {
    serve({ body: shelfView(1000, 3) }, { body: shelfView(1001, 0) })
    await useShelf().read()
    await vi.advanceTimersByTimeAsync(1000)
    expect(requests).toHaveLength(2)
    await vi.advanceTimersByTimeAsync(30_000)
    expect(requests).toHaveLength(2)
    await vi.advanceTimersByTimeAsync(31_000)
    expect(requests).toHaveLength(3)
  })

  it('drops an answer that a later one has overtaken', async () => {
    serve({ body: shelfView(1), after: 500 }, { body: shelfView(2), after: 10 })
    const slow = useShelf().read()
    const fast = useShelf().read()
    await vi.advanceTimersByTimeAsync(600)
    await Promise.all([slow, fast])
    expect(useShelf().nowS).toBe(2)
  })

  it('keeps what it has when the server is away, and says so', async () => {
    serve({ body: shelfView(5) })
    await useShelf().read()
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('refused')))
    await useShelf().read()
    expect(useShelf().nowS).toBe(5)
    expect(useShelf().problem?.detail).toContain('does not answer')
    serve({ body: shelfView(6) })
    await vi.advanceTimersByTimeAsync(61_000)
    expect(useShelf().problem).toBeNull()
    expect(useShelf().nowS).toBe(6)
  })
})

describe('acts', () => {
  it('records a move, reads the shelf again and can be undone', async () => {
    const line = { subject: 'K7F4', link: null, what: 'moved to Window shelf' }
    const act = make('ActView', { id: 42, lines: [line] })
    serve({ status: 201, body: { remark: null }, act: 42 }, { body: act }, { body: shelfView(1) })
    const acts = useActs()
    await acts.move('K7F4', 7)
    expect(requests[0]).toMatchObject({ method: 'POST', path: '/api/spools/K7F4/moves' })
    expect(JSON.parse(requests[0]!.body)).toEqual({ placeId: 7 })
    expect(acts.done?.text).toBe('K7F4: moved to Window shelf')
    expect(acts.changes).toBe(1)
    serve({ body: act, act: 43 }, { body: shelfView(1) })
    await acts.undo(acts.done?.act ?? 0)
    expect(requests.some((r) => r.path === '/api/acts/42/undo')).toBe(true)
    expect(acts.done?.text).toBe('Undone: K7F4: moved to Window shelf')
    expect(acts.done?.act).toBeNull()
  })

  it('says when a move was, where it was not now', async () => {
    serve({ status: 201, body: { remark: null } }, { body: shelfView(1) })
    const at = new Date('2026-03-05T10:00:00Z')
    await useActs().move('K7F4', 7, at, new Date('2026-03-05T12:00:00Z'))
    expect(JSON.parse(requests[0]!.body)).toEqual({
      placeId: 7,
      at: '2026-03-05T10:00:00.000Z',
      until: '2026-03-05T12:00:00.000Z',
    })
  })

  it('leaves a remark standing and lets other notes go', async () => {
    const line = { subject: 'K7F4', link: null, what: 'weighed' }
    const act = make('ActView', { id: 1, lines: [line] })
    const shelf = { body: shelfView(1) }
    serve({ status: 201, body: { remark: 'Is it this spool?' }, act: 1 }, { body: act }, shelf)
    await useActs().weigh('K7F4', 900)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(useActs().done?.remark).toBe('Is it this spool?')
    serve({ status: 201, body: { remark: null }, act: 2 }, { body: act }, shelf)
    await useActs().open('K7F4')
    expect(useActs().done?.text).toBe('K7F4: weighed')
    await vi.advanceTimersByTimeAsync(10_000)
    expect(useActs().done).toBeNull()
  })

  it('throws what the server refuses, by field', async () => {
    const error = { field: 'grossMassG', value: '5 g', allowed: 'more', advice: 'Check.' }
    serve({ status: 422, body: { title: 'No', detail: 'no', errors: [error] } })
    const problem = await useActs()
      .weigh('K7F4', 5)
      .catch((cause: unknown) => cause)
    expect(problem).toBeInstanceOf(Problem)
    expect((problem as Problem).errors).toEqual([error])
    expect(useActs().done).toBeNull()
    useActs().fail(problem)
    expect(useActs().problem?.title).toBe('No')
  })
})

describe('time shown', () => {
  it('stays between now and the horizon', async () => {
    serve({ body: shelfView(1000) })
    await useShelf().read()
    const time = useTime()
    time.goTo(5)
    expect(time.shownS).toBe(1000 + 5 * 3600)
    time.goTo(-3)
    expect(time.isNow).toBe(true)
    time.goTo(9999)
    expect(time.hoursAhead).toBe(336)
  })
})

describe('preferences', () => {
  it('are kept on this device', () => {
    const first = usePreferences()
    first.switchTheme()
    first.switchTemperature()
    setActivePinia(createPinia())
    const second = usePreferences()
    expect(second.theme).toBe(first.theme)
    expect(second.fahrenheit).toBe(true)
    expect(document.documentElement.dataset.theme).toBe(second.theme)
    second.switchTheme()
    second.switchTemperature()
  })
})
