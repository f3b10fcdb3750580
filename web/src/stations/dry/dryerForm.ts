import { computed, ref, watch } from 'vue'
import { useShelf, type ShelfPlace } from '@/stores/shelf'

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

/** Takes over what is known of a dryer. */
export function chooseDryer(form: DryerForm, id: number, places: readonly ShelfPlace[]) {
  form.dryerId = id
  const place = places.find((p) => p.place.id === id)?.place
  if (place) {
    form.ratedMaxC = place.ratedMaxC ?? USUAL_RATED_C
    form.vent = place.airChangesPerHour == null ? 'free' : 'limited'
    form.airChangesPerHour = place.airChangesPerHour ?? USUAL_AIR_CHANGES
    form.volumeL = place.volumeL ?? USUAL_VOLUME_L
    form.roomId = place.withinId ?? form.roomId
    form.setpointC = null
  }
}

/** The form, beginning with the first dryer of the workshop, and what it asks of the server. */
export function useDryerForm() {
  const shelf = useShelf()
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
    () => shelf.places,
    (places) => {
      const dryer = places.find((p) => p.place.kind === 'DRYER')
      if (form.value.dryerId === null && dryer) {
        chooseDryer(form.value, dryer.place.id, places)
      }
      const room = places.find((p) => p.place.kind !== 'DRYER')
      if (form.value.roomId === null && room) {
        form.value.roomId = room.place.id
      }
    },
    { immediate: true },
  )

  const body = computed(() => ({
    dryer: {
      setpointC: form.value.setpointC,
      ratedMaxC: form.value.ratedMaxC,
      biasC: form.value.biasC,
      hottestAboveSetC: form.value.hottestAboveSetC,
      airChangesPerHour: form.value.vent === 'free' ? null : form.value.airChangesPerHour,
      volumeL: form.value.volumeL,
    },
    ...(form.value.roomId
      ? { roomPlaceId: form.value.roomId }
      : {
          roomTemperatureC: form.value.roomTemperatureC,
          roomRelativeHumidityPercent: form.value.roomHumidityPercent,
        }),
  }))

  return { form, body }
}
