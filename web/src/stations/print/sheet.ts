import type { Schemas } from '@/api/client'

export type Sheet = Schemas['SheetAnswer']
export type JobSheet = Schemas['JobSheetView']
export type Choices = Schemas['ChosenView']
export type Part = Schemas['PartView']

/** Nothing chosen: all follows from the material, the machine and the part. */
export const NO_CHOICES: Choices = {
  nozzleTemperatureC: null,
  bedTemperatureC: null,
  chamberTemperatureC: null,
  draft: null,
  fanPercent: null,
  speedMmPerS: null,
  layerTimeS: null,
  squish: null,
  brimMm: null,
  padDiameterMm: null,
  padLayers: null,
  raftMarginMm: null,
  practice: null,
  together: [],
  load: null,
}

/** Below this ratio of load over hold a part counts as safe. */
export const SAFE = 0.7

/** What a job is to be set up with, as far as somebody chose it on this page. */
export interface Draft {
  printerId: number | null
  plateId: number | null
  feedId: number | null
  code: string | null
  part: Part | null
  choices: Choices
  /** Filament that it takes; null where a file of its part tells. */
  grams: number | null
  /** How long it prints; null where a file of its part tells. */
  hours: number | null
}

export function draftOf(view: JobSheet): Draft {
  return {
    printerId: view.printerId ?? null,
    plateId: view.plateId ?? null,
    feedId: view.feedId ?? null,
    code: view.code ?? null,
    part: view.part ? { ...view.part } : null,
    choices: { ...view.choices },
    grams: view.amount.from === 'PERSON' ? view.amount.grams : null,
    hours: view.amount.from === 'PERSON' ? view.amount.hours : null,
  }
}

/** A part as a page begins with it: usual walls and infill, sharp right angles. */
export function newPart(): Part {
  return {
    lengthMm: 80,
    widthMm: 50,
    heightMm: 20,
    walls: 3,
    lineWidthMm: 0.45,
    infillPercent: 20,
    layerHeightMm: 0.2,
    cornerAngleDeg: 90,
    cornerRadiusMm: 0,
    baseWidthMm: null,
  }
}

/** The worst of the three ratios. */
export function worst(of: { adhesionRatio: number; plateRatio: number; tipRatio: number }): number {
  return Math.max(of.adhesionRatio, of.plateRatio, of.tipRatio)
}

/** The verdict on a part as a headline, without its name. */
export function verdict(sheet: Sheet): string {
  const { hold } = sheet
  if (hold.danger) {
    return 'this bond can tear the plate'
  }
  const ratio = worst(hold)
  if (ratio < SAFE) {
    return 'stays flat'
  }
  if (ratio < 1) {
    return 'may come loose'
  }
  if (hold.tipRatio === ratio) {
    return 'can be pushed over'
  }
  if (hold.plateRatio === ratio && hold.plateRatio > hold.adhesionRatio) {
    return 'lifts the plate'
  }
  return hold.liftsAtHeightMm == null
    ? 'comes loose'
    : `corners lift at ${hold.liftsAtHeightMm.toFixed(0)} mm`
}

/** A ratio with the uncertainty of the model, such as 0.62 ± 0.22. */
export function unsure(ratio: number, percent: number): string {
  return `${ratio.toFixed(2)} ± ${((ratio * percent) / 100).toFixed(2)}`
}

/** The draft once a remedy is taken, as far as it is a choice and not work at the bench. */
export function taken(draft: Draft, change: Schemas['ChangeView']): Draft {
  const choices: Choices = { ...draft.choices }
  return {
    ...draft,
    part: draft.part && {
      ...draft.part,
      cornerRadiusMm: change.cornerRadiusMm ?? draft.part.cornerRadiusMm,
      lengthMm: change.lengthMm ?? draft.part.lengthMm,
      widthMm: change.widthMm ?? draft.part.widthMm,
      heightMm: change.heightMm ?? draft.part.heightMm,
      // The thin foot that it stood on is a foot no more.
      baseWidthMm: change.heightMm == null ? draft.part.baseWidthMm : null,
    },
    choices: {
      ...choices,
      bedTemperatureC: change.bedTemperatureC ?? choices.bedTemperatureC,
      chamberTemperatureC: change.chamberTemperatureC ?? choices.chamberTemperatureC,
      draft: change.draft ?? choices.draft,
      fanPercent: change.fanPercent ?? choices.fanPercent,
      squish: change.squish ?? choices.squish,
      brimMm: change.brimMm ?? choices.brimMm,
      raftMarginMm: change.raftMarginMm ?? choices.raftMarginMm,
      padDiameterMm: change.padDiameterMm ?? choices.padDiameterMm,
      padLayers: change.padLayers ?? choices.padLayers,
    },
  }
}

const AT_THE_BENCH = ['washed', 'interfaceLayer', 'plateKind']

/** Whether a remedy is a choice in part or whole, not only work at the bench. */
export function isChoice(change: Schemas['ChangeView']): boolean {
  return Object.entries(change).some(
    ([name, value]) => value != null && !AT_THE_BENCH.includes(name),
  )
}

/** Work at the bench that a remedy asks for; it is recorded when it is done. */
export function benchWork(change: Schemas['ChangeView']): ('wash' | 'spread' | 'plate')[] {
  const work: ('wash' | 'spread' | 'plate')[] = []
  if (change.washed) {
    work.push('wash')
  }
  if (change.interfaceLayer) {
    work.push('spread')
  }
  if (change.plateKind) {
    work.push('plate')
  }
  return work
}

/** The least by which a lever moves, in its own unit. */
export function grain(lever: string): number {
  return lever === 'brim' || lever === 'radius' ? 0.5 : 1
}

/** Where a lever is changed: a choice, the part, or neither (then it is work at the bench). */
export function moved(draft: Draft, lever: string, to: number): Draft | null {
  const value = Math.round(to / grain(lever)) * grain(lever)
  const choices = { ...draft.choices }
  const part = draft.part ? { ...draft.part } : null
  switch (lever) {
    case 'bed':
      choices.bedTemperatureC = value
      break
    case 'chamber':
      choices.chamberTemperatureC = value
      break
    case 'draught':
      choices.draft = value / 100
      break
    case 'fan':
      choices.fanPercent = value
      break
    case 'brim':
      choices.brimMm = value
      break
    case 'pads':
      choices.padDiameterMm = value
      choices.padLayers = value < 1 ? 0 : 2
      break
    case 'radius':
      if (part) {
        part.cornerRadiusMm = value
      }
      break
    case 'infill':
      if (part) {
        part.infillPercent = value
      }
      break
    case 'walls':
      if (part) {
        part.walls = value
      }
      break
    default:
      return null
  }
  return { ...draft, choices, part }
}

/** A draft as it is sent: what is not said is left out. */
export function requestOf(draft: Draft): Schemas['SheetRequest'] {
  const { padDiameterMm, padLayers, ...choices } = draft.choices
  return {
    ...said({
      printerId: draft.printerId,
      plateId: draft.plateId,
      feedId: draft.feedId,
      code: draft.code,
      grams: draft.grams,
      hours: draft.hours,
    }),
    part: draft.part ? said(draft.part) : undefined,
    choices: {
      ...said(choices),
      pads: padDiameterMm ? { diameterMm: padDiameterMm, layers: padLayers ?? 2 } : undefined,
    },
  }
}

type Said<T> = { [K in keyof T]?: NonNullable<T[K]> }

function said<T extends object>(of: T): Said<T> {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value != null)) as Said<T>
}

/** The settings as text to paste. */
export function asText(job: string, sheet: Sheet): string {
  return [
    `${job}, ${sheet.material}`,
    ...sheet.settings.map((line) => `${line.title}: ${line.value}`),
  ].join('\n')
}
