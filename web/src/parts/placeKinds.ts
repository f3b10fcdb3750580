import type { Schemas } from '@/api/client'

export type PlaceKind = Schemas['PlaceInfo']['kind']

/** What a kind of place is called, in a list to choose from and beside a name. */
export const PLACE_KINDS: Record<PlaceKind, string> = {
  ROOM: 'room',
  OPEN_SHELF: 'open shelf or rack',
  SLOT: 'slot',
  LIDDED_BOX: 'box with a loose lid',
  TAPED_BOX: 'box with foam tape',
  GASKET_BOX: 'gasket box',
  CLIP_BOX: 'clip-lid box',
  DRY_BOX: 'dry box with feed-through',
  FEEDER: 'feeder',
  ZIP_BAG: 'zip bag',
  VACUUM_BAG: 'vacuum bag',
  METALLISED_BAG: 'metallised bag',
  PRINTER_HOLDER: 'printer holder',
  DRYER: 'dryer',
}

const OPEN: PlaceKind[] = ['ROOM', 'OPEN_SHELF', 'SLOT', 'PRINTER_HOLDER', 'DRYER']

/** Whether the air in such a place is its own, held by walls or film. */
export function isClosed(kind: PlaceKind): boolean {
  return !OPEN.includes(kind)
}

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
