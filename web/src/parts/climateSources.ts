import type { Schemas } from '@/api/client'

/** Where a place's air is known from. */
export const CLIMATE_SOURCES: Record<Schemas['PlaceView']['climateSource'], string> = {
  MEASURED: 'measured',
  TYPED: 'typed in',
  HEATED_ROOM: "its room's air, heated",
  COMPUTED: 'computed from the air around it and what is in it',
  COMPUTING: 'being computed since the start; shown is the air around it',
  SURROUNDINGS: 'the air of what it stands in',
  ASSUMED: 'no record: 23 °C and 50 % assumed',
}
