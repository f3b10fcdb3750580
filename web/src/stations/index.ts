import acts from './acts/station'
import alerts from './alerts/station'
import devices from './devices/station'
import dry from './dry/station'
import how from './how/station'
import materials from './materials/station'
import print from './print/station'
import receive from './receive/station'
import shelf from './shelf/station'
import type { Station } from './station'
import today from './today/station'
import trouble from './trouble/station'
import upkeep from './upkeep/station'

/** All stations in the order of the work. */
export const STATIONS: Station[] = [
  today,
  receive,
  shelf,
  dry,
  print,
  trouble,
  upkeep,
  materials,
  devices,
  alerts,
  acts,
  how,
]

/** The station that a page belongs to. */
export function stationOf(path: string): Station | undefined {
  return STATIONS.find((station) => station.routes.some((route) => covers(route.path, path)))
}

function covers(pattern: string, path: string): boolean {
  return pattern.split('/')[1] === path.split('/')[1]
}

/** Where a key leads that is pressed after g. */
export function goal(key: string): string | undefined {
  const station = STATIONS.find((each) => each.key === key)
  const page = STATIONS.flatMap((each) => each.pages ?? []).find((each) => each.key === key)
  return station?.path ?? page?.path
}
