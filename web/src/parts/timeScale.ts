import { moment } from './format'

const HOUR_S = 3600

/** Steps between the marks of an axis, in hours: parts of a day, days and weeks. */
const STEPS_H = [1, 2, 3, 4, 6, 12, 24, 48, 168, 336, 730, 2190, 8760]

/** A mark along an axis. */
export interface Mark {
  timeS: number
  /** Where, 0 to 100. */
  percent: number
  text: string
  /** The first of a week. */
  strong: boolean
}

/** A span of time over a width: the one way from times, in epoch seconds, to places and back. */
export class TimeScale {
  constructor(
    readonly fromS: number,
    readonly toS: number,
    /** Of the drawing, in its own units; what is drawn is stretched to the room that it gets. */
    readonly width = 1000,
  ) {}

  get spanS(): number {
    return Math.max(1, this.toS - this.fromS)
  }

  /** Where a time lies, in the drawing's units; what lies outside stops at its ends. */
  x(timeS: number): number {
    return (this.width * this.percent(timeS)) / 100
  }

  /** Where a time lies, 0 to 100; what lies outside stops at its ends. */
  percent(timeS: number): number {
    return Math.min(100, Math.max(0, (100 * (timeS - this.fromS)) / this.spanS))
  }

  /** The time of an hour counted from the beginning. */
  atHour(hour: number): number {
    return this.fromS + HOUR_S * hour
  }

  /** The hour, counted from the beginning, of a time. */
  hourOf(timeS: number): number {
    return (timeS - this.fromS) / HOUR_S
  }

  /** How long a stretch of the drawing lasts, in hours. */
  hoursOf(width: number): number {
    return (width * this.spanS) / this.width / HOUR_S
  }

  /** Every midnight of the clock on the wall. */
  midnights(): Mark[] {
    const at = new Date(1000 * this.fromS)
    at.setHours(24, 0, 0, 0)
    const marks: Mark[] = []
    while (at.getTime() < 1000 * this.toS) {
      const timeS = at.getTime() / 1000
      marks.push({
        timeS,
        percent: this.percent(timeS),
        text: at.toLocaleDateString('en-GB', { weekday: 'short' }),
        strong: at.getDay() === 1,
      })
      at.setDate(at.getDate() + 1)
    }
    return marks
  }

  /** Round times of the clock on the wall, at most so many. */
  clock(nowS: number, most: number): Mark[] {
    const stepS = this.stepS(most)
    const base = new Date(1000 * this.fromS)
    base.setHours(0, 0, 0, 0)
    const marks: Mark[] = []
    for (let timeS = base.getTime() / 1000; timeS < this.toS; timeS += stepS) {
      if (timeS >= this.fromS) {
        const text = stepS >= 86_400 ? day(timeS, stepS) : moment(timeS, nowS)
        marks.push({ timeS, percent: this.percent(timeS), text, strong: false })
      }
    }
    return marks
  }

  /** Round hours counted from the beginning, at most so many. */
  hours(most: number): Mark[] {
    const stepS = this.stepS(most)
    const marks: Mark[] = []
    for (let timeS = this.fromS; timeS <= this.toS; timeS += stepS) {
      const hour = Math.round((timeS - this.fromS) / HOUR_S)
      marks.push({ timeS, percent: this.percent(timeS), text: `${hour} h`, strong: false })
    }
    return marks
  }

  private stepS(most: number): number {
    const step = STEPS_H.find((each) => this.spanS / HOUR_S / each <= most)
    return HOUR_S * (step ?? STEPS_H.at(-1)!)
  }
}

function day(timeS: number, stepS: number): string {
  return new Date(1000 * timeS).toLocaleDateString(
    'en-GB',
    stepS < 30 * 86_400 ? { day: 'numeric', month: 'short' } : { month: 'short', year: 'numeric' },
  )
}
