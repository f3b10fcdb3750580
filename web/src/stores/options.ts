import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type ShallowRef } from 'vue'
import { answer, client, type Answer, type Schemas } from '@/api/client'

export type PlaceKind = Schemas['PlaceInfo']['kind']

interface Choice<T> {
  value: T
  label: string
}

const AGAIN_MS = 3_000

/** As a list to choose from. */
export function choices<T>(list: readonly { id: T; title: string }[]): Choice<T>[] {
  return list.map(({ id, title }) => ({ value: id, label: title }))
}

/** What there is to choose from, as the server knows it; each list is read once, when needed. */
export const useOptions = defineStore('options', () => {
  const underWay = new Set<string>()

  /** A list that is read when it is first looked at; a failed reading is tried again. */
  function list<T>(name: string, ask: () => Promise<Answer<T>>, until: T) {
    const known: ShallowRef<T> = shallowRef(until)
    const failures = ref(0)
    return computed(() => {
      if (failures.value >= 0 && known.value === until && !underWay.has(name)) {
        underWay.add(name)
        answer(ask()).then(
          (read) => (known.value = read),
          () =>
            setTimeout(() => {
              underWay.delete(name)
              failures.value++
            }, AGAIN_MS),
        )
      }
      return known.value
    })
  }

  const placeKinds = list('placeKinds', () => client.GET('/api/place-kinds'), [])
  const desiccants = list('desiccants', () => client.GET('/api/desiccants'), [])
  const dryerKinds = list('dryerKinds', () => client.GET('/api/dryer-kinds'), [])
  const deviceKinds = list('deviceKinds', () => client.GET('/api/device-kinds'), [])
  const readingUnits = list('readingUnits', () => client.GET('/api/reading-units'), [])
  const salts = list('salts', () => client.GET('/api/salts'), [])
  const labelSheets = list('labelSheets', () => client.GET('/api/label-sheets'), [])
  const firstMaterials = list('materials', () => client.GET('/api/materials'), [])
  const laterMaterials = shallowRef<Schemas['MaterialView'][] | null>(null)
  const materials = computed(() => laterMaterials.value ?? firstMaterials.value)

  /** A workshop's own materials come and go while the page is there. */
  async function renewMaterials() {
    laterMaterials.value = await answer(client.GET('/api/materials'))
  }
  const reels = list('reels', () => client.GET('/api/reels'), { kinds: [], sizes: [] })
  const receiving = list('receiving', () => client.GET('/api/receiving-choices'), {
    arrivals: [],
    bends: [],
    diametersMm: [],
  })

  /** What a kind of place is called. */
  function placeKind(kind: PlaceKind): string {
    return placeKinds.value.find((each) => each.id === kind)?.title ?? ''
  }

  /** Whether the air in such a place is its own, held by walls or film. */
  function isClosed(kind: PlaceKind): boolean {
    return placeKinds.value.find((each) => each.id === kind)?.closed ?? false
  }

  function deviceKind(kind: Schemas['DeviceView']['kind']): string {
    return deviceKinds.value.find((each) => each.id === kind)?.title ?? ''
  }

  return {
    placeKinds,
    desiccants,
    dryerKinds,
    deviceKinds,
    readingUnits,
    salts,
    labelSheets,
    materials,
    renewMaterials,
    reels,
    receiving,
    placeKind,
    isClosed,
    deviceKind,
  }
})
