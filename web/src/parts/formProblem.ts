import {
  computed,
  inject,
  onBeforeUnmount,
  provide,
  shallowRef,
  toRaw,
  shallowReactive,
  watch,
  type ComputedRef,
  type InjectionKey,
  type Ref,
} from 'vue'
import type { FieldProblem, Problem } from '@/api/client'

/** A field as it stands on the page. */
interface KnownField {
  label: string
  id: string
}

interface FormScope {
  problems: Ref<Problem | null>[]
  fields: Map<string, KnownField>
}

const KEY: InjectionKey<FormScope> = Symbol('form problem')

/** Lets the fields inside show what the server says of them, each at its own place. */
export function useFormProblem(...problems: Ref<Problem | null>[]) {
  provide(KEY, { problems, fields: shallowReactive(new Map<string, KnownField>()) })
}

/** Finds the field on the page that the server means by a name; none outside of a form. */
export function useKnownFields(): (field: string) => KnownField | undefined {
  const scope = inject(KEY, null)
  return (field) => [...(scope?.fields ?? [])].find(([name]) => isField(field, name))?.[1]
}

/** Whether the server means a field: by its name, or by that within something larger. */
function isField(said: string, name: string | undefined): boolean {
  return name !== undefined && (said === name || said.endsWith(`.${name}`))
}

/**
 * What the server says of one field, until its value changes.
 *
 * @param field its name in the request; without one it never has a problem
 * @param value what is typed
 */
export function useFieldProblem(
  field: () => string | undefined,
  known: () => KnownField,
  value: Ref<unknown>,
): ComputedRef<FieldProblem | null> {
  const scope = inject(KEY, null)
  const settled = shallowRef<FieldProblem | null>(null)
  let registered = ''

  function forget() {
    if (registered) {
      scope?.fields.delete(registered)
    }
    registered = ''
  }

  watch(
    () => [field(), known().label, known().id] as const,
    ([name]) => {
      forget()
      if (scope && name) {
        registered = name
        scope.fields.set(name, { ...known() })
      }
    },
    { immediate: true },
  )
  onBeforeUnmount(forget)

  const said = computed(
    () =>
      scope?.problems
        .flatMap((problem) => problem.value?.errors ?? [])
        .find((error) => isField(error.field, field())) ?? null,
  )
  watch(value, () => (settled.value = toRaw(said.value)), { deep: true })
  return computed(() =>
    said.value !== null && toRaw(said.value) === settled.value ? null : said.value,
  )
}

/** Units at the end of a field's name, as people write them. */
const UNITS: [RegExp, string][] = [
  [/RelativeHumidityPercent$/, ' relative humidity, %'],
  [/Percent$/, ', %'],
  [/PerHour$/, ' per hour'],
  [/PerDay$/, ' per day'],
  [/Mm$/, ', mm'],
  [/Um$/, ', µm'],
  [/KWh$/, ', kWh'],
  [/C$/, ', °C'],
  [/G$/, ', g'],
  [/L$/, ', L'],
  [/W$/, ', W'],
  [/K$/, ', °C'],
]

/** The name of a field in words, where no field on the page has a label for it. */
export function fieldWords(field: string): string {
  const last = field.split('.').pop() ?? field
  const [, base = last, row] = /^(\w+?)\[(\d+)\]$/.exec(last) ?? []
  const [pattern, unit] = UNITS.find(([end]) => end.test(base)) ?? [/$/, '']
  const words = base
    .replace(pattern, '')
    .replace(/Id$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
  return `${words}${unit}${row === undefined ? '' : ` ${Number(row) + 1}`}`.trim()
}

/** A sentence whose numbers have no more digits than anybody reads. */
export function readable(text: string): string {
  return text.replace(/-?\d+\.\d{4,}/g, (number) => String(Number(Number(number).toPrecision(4))))
}
