import { moistureColour } from './ramp'

/** What a spool looks like from the side. Radii in mm; rings of equal mass, hub first. */
export interface Face {
  hubRadiusMm: number
  windingRadiusMm: number
  rimRadiusMm: number
  /** Moisture of each ring as a share of the print limit; empty while it is being computed. */
  ringShares: readonly number[]
  hubColour: string
  sealed: boolean
  /** The end is not hooked in where it should be. */
  looseEnd?: boolean
  /** Dusty: for wide nozzles only. */
  quarantined?: boolean
}

export interface FaceColours {
  ink: string
  disc: string
  soft: string
}

/** Reels up to this rim are drawn to one scale, so that small ones look small. */
const COMMON_RIM_MM = 100
const FULL_TURN = 2 * Math.PI

/** Radius of the boundary below which a share of the mass lies. */
export function radiusOfShare(face: Face, share: number): number {
  const hub2 = face.hubRadiusMm ** 2
  return Math.sqrt(hub2 + share * (face.windingRadiusMm ** 2 - hub2))
}

/** Moisture share at a depth, straight between the middles of the rings. */
export function shareAtRadius(face: Face, radiusMm: number): number {
  const rings = face.ringShares
  const hub2 = face.hubRadiusMm ** 2
  const massShare = (radiusMm ** 2 - hub2) / (face.windingRadiusMm ** 2 - hub2)
  const position = Math.min(Math.max(massShare * rings.length - 0.5, 0), rings.length - 1)
  const index = Math.min(Math.floor(position), Math.max(0, rings.length - 2))
  const from = rings[index] ?? 0
  const to = rings[index + 1] ?? from
  return from + (position - index) * (to - from)
}

/** Radii at which moisture crosses the print limit. */
export function limitRadii(face: Face): number[] {
  const found: number[] = []
  const steps = 60
  let before = shareAtRadius(face, face.hubRadiusMm)
  for (let i = 1; i <= steps; i++) {
    const radius = face.hubRadiusMm + (i / steps) * (face.windingRadiusMm - face.hubRadiusMm)
    const share = shareAtRadius(face, radius)
    if (share > 1 !== before > 1) {
      found.push(radius)
    }
    before = share
  }
  return found
}

/**
 * Draws a spool face into a square.
 *
 * @param size side of the square in CSS px; the context is already scaled to device pixels
 */
export function drawSpoolFace(
  ctx: CanvasRenderingContext2D,
  size: number,
  face: Face,
  colours: FaceColours,
) {
  const middle = size / 2
  const line = Math.max(1, size / 72)
  const scale = (middle - line) / Math.max(COMMON_RIM_MM, face.rimRadiusMm)
  const circle = (radiusMm: number) => {
    ctx.beginPath()
    ctx.arc(middle, middle, Math.max(0, radiusMm * scale), 0, FULL_TURN)
  }
  ctx.clearRect(0, 0, size, size)
  circle(face.rimRadiusMm)
  ctx.fillStyle = colours.disc
  ctx.fill()
  drawWinding(ctx, face, scale, circle, colours)
  drawLimit(ctx, face, line, circle, colours)
  drawHub(ctx, face, line, circle, colours)
  circle(face.rimRadiusMm)
  ctx.lineWidth = line
  ctx.strokeStyle = colours.ink
  ctx.stroke()
  if (face.sealed) {
    drawBag(ctx, face, line, circle, colours)
  }
  if (face.quarantined) {
    drawHatch(ctx, face, line, scale, middle, colours)
  }
  if (face.looseEnd) {
    drawTail(ctx, face, line, scale, middle, colours)
  }
}

type Circle = (radiusMm: number) => void

function drawWinding(
  ctx: CanvasRenderingContext2D,
  face: Face,
  scale: number,
  circle: Circle,
  colours: FaceColours,
) {
  const depthPx = (face.windingRadiusMm - face.hubRadiusMm) * scale
  const wraps = Math.max(3, Math.round(depthPx / (depthPx > 60 ? 4.5 : 3)))
  const wrapMm = (face.windingRadiusMm - face.hubRadiusMm) / wraps
  for (let i = wraps - 1; i >= 0; i--) {
    const outer = face.hubRadiusMm + (i + 1) * wrapMm
    if (face.ringShares.length === 0) {
      circle(outer - wrapMm / 2)
      ctx.lineWidth = 1
      ctx.strokeStyle = colours.soft
      ctx.stroke()
      continue
    }
    const colour = moistureColour(shareAtRadius(face, outer - wrapMm / 2))
    circle(outer)
    ctx.fillStyle = colour
    ctx.fill()
    // The gap between wraps: a pale line, so that the winding reads as filament.
    circle(outer)
    ctx.lineWidth = Math.min(1, wrapMm * scale * 0.22)
    ctx.strokeStyle = colours.disc
    ctx.stroke()
  }
}

function drawLimit(
  ctx: CanvasRenderingContext2D,
  face: Face,
  line: number,
  circle: Circle,
  colours: FaceColours,
) {
  if (face.ringShares.length === 0) {
    return
  }
  for (const radius of limitRadii(face)) {
    circle(radius)
    ctx.lineWidth = line
    ctx.setLineDash([3 * line, 2 * line])
    ctx.strokeStyle = colours.ink
    ctx.stroke()
    ctx.setLineDash([])
  }
}

function drawHub(
  ctx: CanvasRenderingContext2D,
  face: Face,
  line: number,
  circle: Circle,
  colours: FaceColours,
) {
  // The middle carries the filament's own colour, as its reel does when it runs out.
  const hub = face.hubRadiusMm
  circle(hub)
  ctx.fillStyle = face.hubColour
  ctx.fill()
  ctx.lineWidth = line
  ctx.strokeStyle = colours.ink
  ctx.stroke()
  circle(hub * 0.42)
  ctx.fillStyle = colours.disc
  ctx.fill()
  ctx.stroke()
}

/** A bag still closed: a second, broken rim. */
function drawBag(
  ctx: CanvasRenderingContext2D,
  face: Face,
  line: number,
  circle: Circle,
  colours: FaceColours,
) {
  circle(face.rimRadiusMm - Math.max(4, face.rimRadiusMm * 0.045))
  ctx.lineWidth = line
  ctx.setLineDash([line, 2.5 * line])
  ctx.strokeStyle = colours.ink
  ctx.stroke()
  ctx.setLineDash([])
}

/** Dusty: short strokes all round between winding and rim. */
function drawHatch(
  ctx: CanvasRenderingContext2D,
  face: Face,
  line: number,
  scale: number,
  middle: number,
  colours: FaceColours,
) {
  const outer = face.rimRadiusMm * scale
  const inner = Math.max(outer - Math.max(4, 0.09 * outer), 0)
  const strokes = Math.max(24, Math.round(outer))
  ctx.lineWidth = Math.max(1, 0.8 * line)
  ctx.strokeStyle = colours.ink
  ctx.beginPath()
  for (let i = 0; i < strokes; i++) {
    const angle = (i / strokes) * FULL_TURN
    const slant = angle + 0.08
    ctx.moveTo(middle + inner * Math.cos(angle), middle + inner * Math.sin(angle))
    ctx.lineTo(middle + outer * Math.cos(slant), middle + outer * Math.sin(slant))
  }
  ctx.stroke()
}

/** A loose end: it leaves the winding at the top right and curls over the rim. */
function drawTail(
  ctx: CanvasRenderingContext2D,
  face: Face,
  line: number,
  scale: number,
  middle: number,
  colours: FaceColours,
) {
  const from = face.windingRadiusMm * scale
  const rim = face.rimRadiusMm * scale
  ctx.lineWidth = 2.2 * line
  ctx.lineCap = 'round'
  ctx.strokeStyle = colours.ink
  ctx.beginPath()
  ctx.moveTo(middle + 0.1 * from, middle - from)
  ctx.bezierCurveTo(
    middle + 0.55 * rim,
    middle - 1.02 * rim,
    middle + 0.95 * rim,
    middle - 0.75 * rim,
    middle + 0.82 * rim,
    middle - 0.42 * rim,
  )
  ctx.stroke()
  ctx.lineCap = 'butt'
}
