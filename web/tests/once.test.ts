import { mount, flushPromises } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { answer, client, Problem } from '@/api/client'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import AttendanceEditor from '@/stations/plan/AttendanceEditor.vue'

interface Sent {
  key: string | null
  body: unknown
}

/** Answers one after the other; an error is a connection that broke. */
function serve(...replies: (Error | { status: number; body: unknown })[]): Sent[] {
  const sent: Sent[] = []
  vi.stubGlobal(
    'fetch',
    vi.fn(async (request: Request) => {
      const text = await request.clone().text()
      sent.push({
        key: request.headers.get('Idempotency-Key'),
        body: text ? JSON.parse(text) : null,
      })
      const reply = replies.length > 1 ? replies.shift()! : replies[0]!
      if (reply instanceof Error) {
        throw reply
      }
      return new Response(JSON.stringify(reply.body), {
        status: reply.status,
        headers: { 'Content-Type': 'application/json' },
      })
    }),
  )
  return sent
}

function weigh(grossMassG: number) {
  return answer(
    client.POST('/api/spools/{code}/weighings', {
      params: { path: { code: 'K7F4' } },
      body: { grossMassG },
    }),
  )
}

beforeEach(() => setActivePinia(createPinia()))

describe('an act is done once', () => {
  it('goes again with the same key when the connection breaks', async () => {
    vi.useFakeTimers()
    const sent = serve(new TypeError('broken'), { status: 201, body: { factId: 1 } })
    const done = weigh(900)
    await vi.advanceTimersByTimeAsync(1_000)
    expect(await done).toEqual({ factId: 1 })
    vi.useRealTimers()
    expect(sent).toHaveLength(2)
    expect(sent[0]!.key).toMatch(/^[0-9a-f]{32}$/)
    expect(sent[1]!.key).toBe(sent[0]!.key)
    expect(sent[1]!.body).toEqual({ grossMassG: 900 })
  })

  it('has a key also on a phone that reaches the page without HTTPS', async () => {
    // There a browser offers getRandomValues only (W3C Web Cryptography: SecureContext).
    vi.stubGlobal('crypto', { getRandomValues: crypto.getRandomValues.bind(crypto) })
    const sent = serve({ status: 201, body: { factId: 1 } })
    expect(await weigh(900)).toEqual({ factId: 1 })
    expect(sent[0]!.key).toMatch(/^[0-9a-f]{32}$/)
    vi.unstubAllGlobals()
  })

  it('has one key however often the button is pressed, and another for another act', async () => {
    const sent = serve({ status: 201, body: { factId: 1 } })
    await Promise.all([weigh(900), weigh(900), weigh(901)])
    await weigh(900)
    const [first, second, other, later] = sent.map((each) => each.key)
    expect(second).toBe(first)
    expect(other).not.toBe(first)
    expect(later).not.toBe(first)
  })

  it('says so when there is no answer at all', async () => {
    vi.useFakeTimers()
    serve(new TypeError('broken'))
    const failed = weigh(900).catch((cause: unknown) => cause)
    await vi.advanceTimersByTimeAsync(10_000)
    vi.useRealTimers()
    expect(await failed).toBeInstanceOf(Problem)
    expect(((await failed) as Problem).title).toBe('No answer')
  })
})

describe('two people change the same thing', () => {
  const problem = new Problem('Changed meanwhile', 'Choose which is to hold.', [], {
    name: 'rack B',
    capacity: 4,
    version: 8,
  })

  it('shows what differs, both ways', () => {
    const choice = mount(ConflictChoice, {
      props: {
        problem,
        mine: { name: 'rack A', capacity: 4 },
        labels: { name: 'name', capacity: 'spools that fit' },
      },
    })
    expect(choice.find('tbody').text()).toContain('rack A')
    expect(choice.find('tbody').text()).toContain('rack B')
    expect(choice.find('tbody').text()).not.toContain('spools that fit')
  })

  it('keeps mine by sending it again from their state', async () => {
    const theirs = { version: 5, windows: [{ weekday: 1, fromMin: 600, toMin: 660 }] }
    const sent = serve(
      {
        status: 409,
        body: { title: 'Changed meanwhile', detail: 'Choose.', current: theirs },
      },
      { status: 200, body: theirs },
    )
    const editor = mount(AttendanceEditor, { props: { week: { version: 3, windows: [] } } })
    await editor.find('#attendance-0').setValue('8-12')
    await editor.find('form').trigger('submit')
    await flushPromises()
    expect(editor.find('[data-testid="conflict"]').text()).toContain('10:00-11:00')
    await editor.findAll('.conflict button')[0]!.trigger('click')
    await flushPromises()
    expect(sent[1]!.body).toEqual({
      version: 5,
      windows: [{ weekday: 1, fromMin: 480, toMin: 720 }],
    })
    expect(editor.emitted('saved')).toHaveLength(1)
  })

  it('takes theirs', async () => {
    const theirs = { version: 5, windows: [{ weekday: 1, fromMin: 600, toMin: 660 }] }
    serve({ status: 409, body: { title: 'Changed meanwhile', detail: '', current: theirs } })
    const editor = mount(AttendanceEditor, { props: { week: { version: 3, windows: [] } } })
    await editor.find('#attendance-0').setValue('8-12')
    await editor.find('form').trigger('submit')
    await flushPromises()
    await editor.findAll('.conflict button')[1]!.trigger('click')
    expect(editor.find<HTMLInputElement>('#attendance-0').element.value).toBe('10:00-11:00')
    expect(editor.find('[data-testid="conflict"]').exists()).toBe(false)
  })
})
