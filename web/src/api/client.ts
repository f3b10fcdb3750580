import createClient from 'openapi-fetch'
import type { components, paths } from './generated/schema'

/** Schemas of the API document by name. */
export type Schemas = components['schemas']

export const client = createClient<paths>({
  baseUrl: '',
  fetch: (request) => globalThis.fetch(request),
})

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
  ) {
    super(detail)
  }

  /** Turns whatever was thrown or answered into a problem. */
  static of(cause: unknown): Problem {
    if (cause instanceof Problem) {
      return cause
    }
    if (cause && typeof cause === 'object' && 'detail' in cause) {
      const body = cause as { title?: string; detail?: string; errors?: FieldProblem[] }
      return new Problem(body.title ?? 'It did not work', body.detail ?? '', body.errors ?? [])
    }
    return new Problem(
      'No answer',
      'Mind Spool does not answer. Check that it is still running, then try again.',
    )
  }
}

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** Waits for an answer and returns its data, or throws a {@link Problem}. */
export async function answer<T>(request: Promise<Answer<T>>): Promise<T> {
  let reply: Answer<T>
  try {
    reply = await request
  } catch (cause) {
    throw Problem.of(cause)
  }
  if (!reply.response.ok) {
    throw Problem.of(reply.error ?? { detail: `The server answered ${reply.response.status}.` })
  }
  return reply.data as T
}
