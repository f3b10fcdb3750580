import type { Schemas } from '@/api/client'

export type Kind = Schemas['WorksheetKindView']['id']

interface Entry<T> {
  label: string
  usual: T
}

/** What a worksheet asks for, and how its measurements are taken. */
interface Sheet {
  title: string
  how: string
  caution?: string
  now?: Entry<number>
  wanted?: Entry<number>
  asked?: Entry<string>
  measured?: { label: string }
  /** Measurements from which on it is computed. */
  least: number
}

export const SHEETS: Record<Kind, Sheet> = {
  TEMPERATURE_LADDER: {
    title: 'Nozzle temperature of a lot',
    how:
      'Print a ladder of five steps or more. Break each across its layers: bond 5 where lines tear,' +
      ' 0 where layers part. Strings 0 for none, 5 for many. Gloss 5 where it is as you want it.',
    least: 4,
  },
  FLOW: {
    title: 'Flow of a lot',
    how: 'Print a box with walls of one line and no top. Measure each wall at two heights.',
    now: { label: 'Flow that was set, %', usual: 100 },
    wanted: { label: 'Width of the line that was set, mm', usual: 0.4 },
    measured: { label: 'Walls, mm' },
    least: 4,
  },
  DIAMETER: {
    title: 'Thickness of a lot',
    how: 'Ten places over the first metres, at each two readings across, turned by a quarter.',
    wanted: { label: 'Nominal thickness, mm', usual: 1.75 },
    measured: { label: 'Readings in pairs, mm' },
    least: 6,
  },
  SHRINKAGE: {
    title: 'Shrinkage of a lot',
    how: 'A cross or box with lengths of 20 to 150 mm; one axis at a time. Measure it cold.',
    asked: { label: 'Lengths as drawn, mm', usual: '20 50 100 150' },
    measured: { label: 'As measured, mm' },
    least: 3,
  },
  EXTRUDER: {
    title: 'Steps of an extruder',
    how: 'Mark the filament, feed three lengths slowly, measure what went in.',
    caution: 'The nozzle is hot for this, and drive gears pinch.',
    now: { label: 'Steps that are set, steps/mm', usual: 400 },
    asked: { label: 'Lengths asked for, mm', usual: '50 100 200' },
    measured: { label: 'Lengths fed, mm' },
    least: 3,
  },
  MELT_CEILING: {
    title: 'How fast it melts',
    how: 'Press the same volume into the air at five speeds or more, and weigh each piece.',
    caution: 'The nozzle is hot: catch strands with tweezers, not with the hand.',
    wanted: { label: 'Mass that was asked for, g', usual: 1.24 },
    asked: { label: 'Flow, mm³/s', usual: '4 8 12 16 20 24' },
    measured: { label: 'What came, g' },
    least: 5,
  },
}

/** What is drawn across and up. */
export const AXES: Record<Kind, readonly [string, string]> = {
  TEMPERATURE_LADDER: ['nozzle, °C', 'score, 0 to 5'],
  FLOW: ['number', 'wall, mm'],
  DIAMETER: ['place', 'thickness, mm'],
  SHRINKAGE: ['drawn, mm', 'measured less drawn, mm'],
  EXTRUDER: ['asked, mm', 'fed, mm'],
  MELT_CEILING: ['flow, mm³/s', 'share that came'],
}
