import { computed, ref, watch } from 'vue'
import { useDryers, type Dryer } from '@/stores/dryers'
import { useShelf } from '@/stores/shelf'

const USUAL_RATED_C = 70
const USUAL_VOLUME_L = 12
const USUAL_AIR_CHANGES = 12

/** A dryer and the room whose air it takes, as they are chosen on screen. */
export interface DryerForm {
  /** Zero for a dryer that is described here. */
  dryerId: number | null
  setpointC: number | null
  ratedMaxC: number
  vent: 'free' | 'limited'
  airChangesPerHour: number
  hottestAboveSetC: number
  biasC: number
  volumeL: number
  /** Zero for a room that is typed. */
  roomId: number | null
  roomTemperatureC: number
  roomHumidityPercent: number
}

/** Takes a dryer of the workshop, and the room that it stands in. */
export function chooseDryer(form: DryerForm, id: number, dryers: readonly Dryer[]) {
  form.dryerId = id
  form.setpointC = null
  const dryer = dryers.find((each) => each.placeId === id)
  if (dryer) {
    form.roomId = dryer.roomId ?? form.roomId
  }
}

/** The form, beginning with the first dryer of the workshop, and what it asks of the server. */
export function useDryerForm() {
  const shelf = useShelf()
  const store = useDryers()
  const form = ref<DryerForm>({
    dryerId: null,
    setpointC: null,
    ratedMaxC: USUAL_RATED_C,
    vent: 'free',
    airChangesPerHour: USUAL_AIR_CHANGES,
    hottestAboveSetC: 0,
    biasC: 0,
    volumeL: USUAL_VOLUME_L,
    roomId: null,
    roomTemperatureC: 22,
    roomHumidityPercent: 50,
  })

  watch(
    () => [store.known, shelf.places] as const,
    ([known, places]) => {
      const first = store.dryers.find((dryer) => !dryer.outOfOrder)
      if (form.value.dryerId === null && known) {
        chooseDryer(form.value, first?.placeId ?? 0, store.dryers)
      }
      const room = places.find((p) => p.place.kind !== 'DRYER')
      if (form.value.roomId === null && room) {
        form.value.roomId = room.place.id
      }
    },
    { immediate: true },
  )

  // Who adds the first dryer means to use it.
  watch(
    () => store.dryers[0]?.placeId,
    (first, before) => {
      if (first !== undefined && before === undefined && form.value.dryerId === 0) {
        chooseDryer(form.value, first, store.dryers)
      }
    },
  )

  /** None before it is known which dryers there are. */
  const body = computed(() => {
    const chosen = form.value
    const room = chosen.roomId
      ? { roomPlaceId: chosen.roomId }
      : {
          roomTemperatureC: chosen.roomTemperatureC,
          roomRelativeHumidityPercent: chosen.roomHumidityPercent,
        }
    return chosen.dryerId
      ? { dryerId: chosen.dryerId, dryer: { setpointC: chosen.setpointC }, ...room }
      : {
          dryer: {
            setpointC: chosen.setpointC,
            ratedMaxC: chosen.ratedMaxC,
            biasC: chosen.biasC,
            hottestAboveSetC: chosen.hottestAboveSetC,
            airChangesPerHour: chosen.vent === 'free' ? null : chosen.airChangesPerHour,
            volumeL: chosen.volumeL,
          },
          ...room,
        }
  })
  const ready = computed(() => form.value.dryerId !== null)

  return { form, body, ready }
}
