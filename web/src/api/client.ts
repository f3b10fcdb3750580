import createClient from 'openapi-fetch'
import type { components, paths } from './generated/schema'

/** Schemas of the API document by name. */
export type Schemas = components['schemas']

/** After a connection that broke an act is sent again, with the same key, after so long. */
const AGAIN_AFTER_MS = [400, 2_000]

export const client = createClient<paths>({ baseUrl: '', fetch: send })

/**
 * Sends a request. What changes something carries a key by which the server knows it again, so it
 * may be sent once more when no answer came: it is done once, whether or not the first arrived.
 */
async function send(request: Request): Promise<Response> {
  if (request.method === 'GET') {
    return globalThis.fetch(request)
  }
  const same = `${request.method} ${request.url} ${await request.clone().text()}`
  const key = underWay.get(same) ?? newKey()
  underWay.set(same, key)
  request.headers.set('Idempotency-Key', key)
  try {
    for (const wait of AGAIN_AFTER_MS) {
      try {
        return await globalThis.fetch(request.clone())
      } catch {
        await new Promise((resolve) => setTimeout(resolve, wait))
      }
    }
    return await globalThis.fetch(request)
  } finally {
    underWay.delete(same)
  }
}

/** Random; not by `randomUUID`, which a page has only over HTTPS or on the machine itself. */
function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
}

/** Keys of acts that wait for their answer: a second press of the button is the same act. */
const underWay = new Map<string, string>()

let person = ''

/** Says who works here; goes along with every request from now on. Empty for nobody in particular. */
export function tellPerson(name: string) {
  person = name
}

client.use({
  onRequest({ request }) {
    if (person) {
      request.headers.set('X-Person', encodeURIComponent(person))
    }
  },
})

/** One thing wrong with a request. */
export interface FieldProblem {
  field: string
  value: string
  allowed: string
  advice: string
}

/** An answer that says what went wrong, in words for the person who asked. */
export class Problem extends Error {
  constructor(
    readonly title: string,
    readonly detail: string,
    readonly errors: FieldProblem[] = [],
    /** The thing as it is now, where somebody else has changed it meanwhile. */
    readonly current: unknown = null,
  ) {
    super(detail)
  }

  /** Turns whatever was thrown or answered into a problem. */
  static of(cause: unknown): Problem {
    if (cause instanceof Problem) {
      return cause
    }
    if (cause && typeof cause === 'object' && 'detail' in cause) {
      const body = cause as {
        title?: string
        detail?: string
        errors?: FieldProblem[]
        current?: unknown
      }
      return new Problem(
        body.title ?? 'It did not work',
        body.detail ?? '',
        body.errors ?? [],
        body.current ?? null,
      )
    }
    return new Problem(
      'No answer',
      'Mind Spool does not answer. Check that it is still running, then try again.',
    )
  }
}

export interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** Waits for an answer and returns its data, or throws a {@link Problem}. */
export async function answer<T>(request: Promise<Answer<T>>): Promise<T> {
  return (await acted(request)).data
}

/** Waits for the answer to an act: its data, and the number by which the act is undone. */
export async function acted<T>(
  request: Promise<Answer<T>>,
): Promise<{ data: T; act: number | null }> {
  let reply: Answer<T>
  try {
    reply = await request
  } catch (cause) {
    throw Problem.of(cause)
  }
  if (!reply.response.ok) {
    throw Problem.of(reply.error ?? { detail: `The server answered ${reply.response.status}.` })
  }
  const act = reply.response.headers.get('Act')
  return { data: reply.data as T, act: act === null ? null : Number(act) }
}
