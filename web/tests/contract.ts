import Ajv2020 from 'ajv/dist/2020'
import type { Schemas } from '@/api/client'
import document from '../openapi.json'

interface Schema {
  $ref?: string
  type?: string | string[]
  enum?: unknown[]
  properties?: Record<string, Schema>
  anyOf?: Schema[]
}

const ajv = new Ajv2020({ strict: false, validateFormats: false })
ajv.addSchema(document, 'openapi')

const paths = Object.entries(document.paths as Record<string, Record<string, unknown>>).map(
  ([path, operations]) => ({
    path,
    operations,
    pattern: new RegExp(`^${path.replace(/\{[^}]+\}/g, '[^/]+')}$`),
  }),
)

/** What is wrong with a request, held against the API document; empty for one that it describes. */
export function requestErrors(method: string, path: string, body: unknown): string {
  const found = paths.filter((each) => each.pattern.test(path))
  const operation = found.find((each) => method.toLowerCase() in each.operations)
  if (!operation) {
    return `there is no ${method} ${path}`
  }
  const at = operation.path.replaceAll('~', '~0').replaceAll('/', '~1').replaceAll('{', '%7B')
  const pointer = `/paths/${at.replaceAll('}', '%7D')}/${method.toLowerCase()}/requestBody/content`
  const content = (
    operation.operations[method.toLowerCase()] as {
      requestBody?: { content: Record<string, unknown> }
    }
  ).requestBody?.content
  if (!content) {
    return body === null ? '' : `${method} ${path} takes no body`
  }
  if (!('application/json' in content)) {
    return ''
  }
  const validate = ajv.getSchema(`openapi#${pointer}/application~1json/schema`)
  if (!validate) {
    return `no schema at ${pointer}`
  }
  return validate(body) ? '' : `${method} ${path}: ${ajv.errorsText(validate.errors)}`
}

const SCHEMAS = document.components.schemas as Record<string, Schema>

/** The emptiest thing of a published type: null, zero, no text, no elements, the first choice. */
function emptiest(schema: Schema): unknown {
  if (schema.$ref) {
    return emptiest(SCHEMAS[schema.$ref.split('/').at(-1)!]!)
  }
  const types = [schema.type ?? []].flat()
  if (types.includes('null') || schema.anyOf?.some((each) => each.type === 'null')) {
    return null
  }
  if (schema.enum) {
    return schema.enum[0]
  }
  switch (types[0]) {
    case 'array':
      return []
    case 'integer':
    case 'number':
      return 0
    case 'boolean':
      return false
    case 'string':
      return ''
    default:
      return Object.fromEntries(
        Object.entries(schema.properties ?? {}).map(([name, of]) => [name, emptiest(of)]),
      )
  }
}

/** The emptiest answer that an operation may give; nothing where it answers without a body. */
export function emptyAnswer(method: string, path: string): unknown {
  const found = paths.find(
    (each) => each.pattern.test(path) && method.toLowerCase() in each.operations,
  )
  const { responses } = (found?.operations[method.toLowerCase()] ?? {}) as {
    responses?: Record<string, { content?: Record<string, { schema: Schema }> }>
  }
  const good = Object.entries(responses ?? {}).find(([status]) => status.startsWith('2'))?.[1]
  const schema = Object.values(good?.content ?? {})[0]?.schema
  return schema ? emptiest(schema) : {}
}

/** A whole answer of a published type; what is not given is as empty as it may be. */
export function make<K extends keyof Schemas>(
  name: K,
  given: Partial<Schemas[K]> = {},
): Schemas[K] {
  return { ...(emptiest(SCHEMAS[name]!) as Schemas[K]), ...given }
}
