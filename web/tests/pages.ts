import { RouterLinkStub } from '@vue/test-utils'
import { expect, vi } from 'vitest'
import { emptyAnswer, make, requestErrors } from './contract'

/** One request as the server would have got it. */
export interface Sent {
  path: string
  method: string
  body: unknown
}

/** Answers in this form are refusals, with the problem that the server would send. */
export interface Refusal {
  refusal: { title: string; detail: string; errors: object[] }
}

/** Number of the act that answers everything which changes something. */
export const ACT = 77

/**
 * Answers every request from a table of paths, or of methods with paths, and keeps what was sent;
 * what the API document does not describe fails the test. A workshop is empty unless said
 * otherwise.
 */
export function serve(special: Record<string, unknown>): Sent[] {
  const answers: Record<string, unknown> = {
    [`GET /api/acts/${ACT}`]: make('ActView', {
      id: ACT,
      lines: [{ subject: 'bench', link: null, what: 'it was done' }],
    }),
    [`POST /api/acts/${ACT}/undo`]: make('ActView', {
      id: ACT,
      lines: [{ subject: 'bench', link: null, what: 'it was done' }],
    }),
    ...special,
  }
  const sent: Sent[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    const text = await request.text()
    const body: unknown = text ? JSON.parse(text) : null
    expect(requestErrors(request.method, path, body)).toBe('')
    sent.push({ path, method: request.method, body })
    const found =
      answers[`${request.method} ${path}`] ?? answers[path] ?? emptyAnswer(request.method, path)
    const refused = (found as Partial<Refusal> | null)?.refusal
    return new Response(JSON.stringify(refused ?? found), {
      status: refused ? 400 : 200,
      headers: {
        'Content-Type': 'application/json',
        ...(request.method === 'GET' || refused ? {} : { Act: String(ACT) }),
      },
    })
  })
  return sent
}

/** A refusal that names one field. */
export function refuse(field: string, value: string, allowed: string, advice: string): Refusal {
  return {
    refusal: {
      title: 'That cannot be',
      detail: `${field}: ${value}`,
      errors: [{ field, value, allowed, advice }],
    },
  }
}

/** Plain inputs in place of the library's, which the build brings in by name. */
export const plain = {
  stubs: { RouterLink: RouterLinkStub },
  components: {
    ElInputNumber: {
      props: ['modelValue'],
      emits: ['update:modelValue'],
      template:
        '<input type="number" :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value === \'\' ? null : Number($event.target.value))" />',
    },
    ElInput: {
      props: ['modelValue'],
      emits: ['update:modelValue'],
      template:
        '<input :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" />',
    },
    ElSelect: {
      props: ['modelValue'],
      emits: ['update:modelValue'],
      template:
        '<select :value="modelValue" @change="$emit(\'update:modelValue\', $event.target.value)"><slot /></select>',
    },
    ElOption: {
      props: ['value', 'label'],
      template: '<option :value="value">{{ label }}</option>',
    },
    ElDatePicker: {
      props: ['modelValue'],
      emits: ['update:modelValue'],
      template:
        '<input :value="modelValue" @change="$emit(\'update:modelValue\', new Date($event.target.value))" />',
    },
    ElDialog: { props: ['title'], template: '<div role="dialog">{{ title }}<slot /></div>' },
  },
}
