/**
 * Small drawings of what can be seen of a print: lines of what is there, and the mark of what is
 * wrong, on a field of 48 by 32.
 */
export interface Drawing {
  lines: string
  wrong: string
}

function box(x: number, y: number, width: number, height: number): string {
  return `M${x} ${y}h${width}v${height}h${-width}z`
}

/** A nozzle whose tip is at a point. */
function nozzle(x: number, y: number): string {
  return `M${x - 5} ${y - 11}h10v6l-3 5h-4l-3-5z`
}

function dot(x: number, y: number, r = 1.5): string {
  return `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`
}

function dots(points: readonly (readonly [number, number])[], r = 1.5): string {
  return points.map(([x, y]) => dot(x, y, r)).join('')
}

function levels(x: number, width: number, heights: readonly number[]): string {
  return heights.map((y) => `M${x} ${y}h${width}`).join('')
}

function reel(x: number, y: number, r = 10): string {
  return dot(x, y, r) + dot(x, y, 3)
}

const PLATE = 'M4 29h40'
const PART = box(13, 7, 22, 22) + PLATE
const CLOCK = dot(36, 11, 8) + 'M36 6v5l4 2'

export const DRAWINGS: Record<string, Drawing> = {
  pop: { lines: nozzle(24, 14), wrong: 'M24 17v7M21 17l-4 5M27 17l4 5M16 12l-5-2M32 12l5-2' },
  bubbles: {
    lines: nozzle(24, 13) + 'M24 13v17',
    wrong: dots(
      [
        [21, 18],
        [27, 22],
        [22, 26],
      ],
      2.2,
    ),
  },
  string: {
    lines: box(6, 6, 9, 23) + box(33, 6, 9, 23) + PLATE,
    wrong: 'M15 11q9 4 18 0M15 16q9 6 18 1M15 22q9 3 18-1',
  },
  ooze: { lines: nozzle(24, 14) + PLATE, wrong: 'M24 15c-4 6-3 9 0 10c3-1 4-4 0-10z' },
  matte: { lines: PART, wrong: 'M16 11h3m3 0h3m3 0h3M18 16h3m3 0h3m3 0h2M16 21h3m3 0h3m3 0h3' },
  shiny: { lines: PART, wrong: 'M17 24l12-14M22 25l10-12M24 12l0-3M22 10.500h4' },
  mixed_gloss: { lines: PART, wrong: 'M13 12h22M13 14h22M13 20h22M13 22h22' },
  puffed: {
    lines: PART,
    wrong: dots([
      [17, 11],
      [23, 12],
      [30, 10],
      [19, 17],
      [27, 17],
      [32, 20],
      [17, 24],
      [24, 24],
    ]),
  },
  blob: {
    lines: PART,
    wrong: dots(
      [
        [35, 13],
        [13, 21],
        [35, 24],
      ],
      2.5,
    ),
  },
  zit_layer: {
    lines: PART,
    wrong: dots([
      [24, 10],
      [24, 15],
      [24, 20],
      [24, 25],
    ]),
  },
  zit_scatter: {
    lines: PART,
    wrong: dots([
      [18, 10],
      [30, 14],
      [21, 19],
      [28, 25],
    ]),
  },
  gap_seam: {
    lines: levels(14, 26, [8, 26]) + levels(22, 18, [14, 20]),
    wrong: 'M14 14h2M14 20h2M18 14h1M18 20h1',
  },
  repeat: {
    lines: box(5, 7, 15, 22) + box(28, 7, 15, 22) + PLATE,
    wrong: levels(5, 15, [12, 20]) + levels(28, 15, [12, 20]),
  },
  not_repeat: {
    lines: box(5, 7, 15, 22) + box(28, 7, 15, 22) + PLATE,
    wrong: levels(5, 15, [11, 22]) + levels(28, 15, [16, 26]),
  },
  follow_z: {
    lines: box(5, 7, 15, 22) + 'M36 7l9 22h-18z' + PLATE,
    wrong: 'M2 16h44',
  },
  follow_feat: { lines: 'M10 29v-10h10v-12h18v22z' + PLATE, wrong: 'M10 19h28' },
  wave_period: {
    lines: 'M13 29V7h22v22' + PLATE,
    wrong: levels(13, 22, [11, 16, 21, 26]),
  },
  ue_start: { lines: PLATE, wrong: 'M12 26h4m4 0h6m5 0h5M12 21h7m5 0h4m4 0h4M12 16h3m5 0h5m4 0h7' },
  ue_mid: {
    lines: levels(12, 24, [27, 24, 21, 18]),
    wrong: 'M12 14h5m5 0h4m5 0h5M12 10h3m5 0h6m4 0h3',
  },
  ue_fast: { lines: box(9, 6, 30, 22), wrong: 'M13 24l4-5m3-3l5-6M22 24l3-4m3-4l5-6' },
  ue_gradual: { lines: 'M7 5v23h36', wrong: 'M8 8c14 2 22 8 33 18' },
  gap_one: { lines: levels(12, 24, [8, 11, 14, 21, 24, 27]), wrong: 'M12 17.500h6m6 0h4m5 0h3' },
  overext: {
    lines: PLATE,
    wrong: 'M14 8q-6 3 0 5q-6 3 0 5q-6 3 0 5q-6 3 0 5M34 8q6 3 0 5q6 3 0 5q6 3 0 5q6 3 0 5M14 8h20',
  },
  grind: {
    lines: dot(19, 16, 9) + 'M32 3v26' + 'M19 4v3M19 25v3M7 16h3M28 16h3M10 8l2 2M10 24l2-2',
    wrong: 'M36 11l6-4M37 16h7M36 21l6 4',
  },
  shavings: {
    lines: 'M19 3v9q5 4 0 8v9M27 3v26',
    wrong: dots(
      [
        [34, 19],
        [38, 23],
        [33, 26],
        [40, 28],
      ],
      1.2,
    ),
  },
  nothing: { lines: nozzle(24, 14) + PLATE, wrong: 'M20 18l8 8M28 18l-8 8' },
  no_unload: { lines: nozzle(24, 29) + 'M24 18V3', wrong: 'M32 14V4m-3 3l3-3l3 3M29 16l6-6' },
  slot_fault: { lines: 'M9 5v22M19 5v22M39 5v22', wrong: 'M29 5v7m-4 1l8 8m0-8l-8 8m4 2v4' },
  jerk: { lines: reel(15, 17) + 'M15 7L45 5', wrong: 'M8 11l14 12M20 8l-9 17' },
  loose_loops: { lines: reel(18, 14), wrong: 'M26 8q14 6 8 16t-14 2M27 12q9 6 4 12' },
  fil_kink: {
    lines: 'M3 10h16M3 18h12M29 10h16M33 18h12',
    wrong: 'M19 10l5 12l5-12M15 18l4 8M33 18l-4 8',
  },
  strand_curl: { lines: nozzle(22, 14), wrong: 'M22 14q0 6 6 7t7 5q-1 4-5 3t-2-6' },
  long_start: { lines: CLOCK + nozzle(14, 16), wrong: 'M14 18v2m0 3v2m0 3v1' },
  specks: {
    lines: PART,
    wrong: dots(
      [
        [18, 12],
        [29, 15],
        [22, 20],
        [31, 25],
        [17, 26],
      ],
      1,
    ),
  },
  col_mix: { lines: PART, wrong: 'M14 12q8-4 12 2t9 0M14 20q8-4 12 2t9 0' },
  lift_early: { lines: 'M4 29h40M30 28H8v-6h24', wrong: 'M30 28q8-1 12-7l-2-4l-8 5' },
  lift_late: { lines: 'M4 29h40M29 28H10V5h22', wrong: 'M29 28q6-2 10-7l-7-16' },
  nostick: { lines: nozzle(34, 18) + PLATE, wrong: 'M34 18q-8 2-6 7t-9-1t-10 3' },
  fl_rough: { lines: PLATE, wrong: 'M7 25l4-4l4 4l4-4l4 4l4-4l4 4l4-4l4 4' },
  fl_round: {
    lines: PLATE,
    wrong: dots(
      [
        [11, 26],
        [20, 26],
        [29, 26],
        [38, 26],
      ],
      2.6,
    ),
  },
  fl_patchy: { lines: 'M8 27L14 8h28l-6 19z', wrong: 'M12 24l8-14M18 25l6-12M14 18l5 5M17 12l6 6' },
  elephant: { lines: 'M15 22V6h18v16' + PLATE, wrong: 'M15 22q-7 2-6 7h30q1-5-6-7' },
  plate_off: { lines: box(14, 6, 20, 15), wrong: 'M3 29q10-1 21-6q11 5 21 6' },
  split: {
    lines: 'M13 16V6h22v10M13 20v9h22v-9' + PLATE,
    wrong: 'M13 16q11 4 22 0M13 20q11-1 22 0',
  },
  crack_cool: { lines: PART, wrong: 'M27 7l-4 6l5 4l-5 5l4 7' },
  snap_layers: { lines: 'M14 5h20v9H14zM18 19h20v10H18z', wrong: 'M12 16.500h28' },
  crunch: {
    lines: 'M13 29V12M35 29V12' + PLATE,
    wrong: 'M13 12l5 5l-3 4l6 4M35 12l-5 5l3 4l-6 4M18 10l6 8l6-8',
  },
  break_feature: {
    lines: box(8, 12, 14, 17) + PLATE + 'M26 14h8q6 2 5 8',
    wrong: 'M22 10l3 4l-3 4l3 4',
  },
  brittle: { lines: 'M4 12q10-2 17 3M27 15q8-5 17-3', wrong: 'M21 15l1 4l2-5l2 6l1-5' },
  dia_var: { lines: '', wrong: 'M4 12q8-3 14 1t12-4t14 2M4 20q8 3 14-1t12 5t14-2' },
  sag: { lines: 'M6 29V8h36v21M12 29V13M36 29V13', wrong: 'M12 13q12 11 24 0M12 13q12 6 24 0' },
  curl_up: { lines: 'M8 29V10h12l10 2' + PLATE, wrong: 'M30 12q8 0 9-8' },
  melted_thin: { lines: 'M12 29l8-16M36 29l-8-16' + PLATE, wrong: 'M20 13q-2-7 4-7t4 7q-4 3-8 0z' },
  in_air: {
    lines: 'M8 29V8h28v5H15v16' + PLATE,
    wrong: 'M20 13q2 6 0 11M26 13q-3 7 1 13M32 13q2 5-1 9',
  },
  sup_fused: {
    lines: box(8, 5, 32, 9) + PLATE,
    wrong: 'M12 29V12M18 29V12M24 29V12M30 29V12M36 29V12',
  },
  sup_rough: { lines: 'M8 16V5h32v11' + PLATE, wrong: 'M8 16q3 6 6 0t6 1t7 0t6 0t7-1' },
  ghost: { lines: 'M10 29V7h10', wrong: 'M24 7v22M29 7v22M34 8v20M39 10v17' },
  shift: { lines: 'M10 29V18h22v11z' + PLATE, wrong: 'M17 18V6h22v12z' },
  wobble: {
    lines: 'M13 7h22' + PLATE,
    wrong: 'M13 7q3 2 0 4t0 4t0 4t0 5t0 5M35 7q-3 2 0 4t0 4t0 4t0 5t0 5',
  },
  spaghetti: { lines: PLATE, wrong: 'M8 26q4-14 12-4t10-8t8 6t-12 4t-8-12t14 0t6 10t-16 2' },
  knock: {
    lines: nozzle(20, 14) + box(24, 12, 16, 17) + PLATE,
    wrong: 'M21 9l6-5M24 12l8-4M25 7l3-6',
  },
  temp_wob: { lines: 'M6 4v24h38', wrong: 'M7 16q4-12 8 0t8 0t8 0t8 0' },
  smell: {
    lines: box(14, 18, 20, 11),
    wrong: 'M18 15q-4-4 0-7t0-6M24 15q-4-4 0-7t0-6M30 15q-4-4 0-7t0-6',
  },
  temp_err: { lines: 'M16 20V6q3-4 6 0v14q4 4 0 8q-3 2-6 0q-4-4 0-8z', wrong: 'M33 7v12M33 24v2' },
  stop_mid: { lines: 'M9 29V17h16v12z' + PLATE, wrong: 'M36 3l-6 12h6l-4 11' },
  one_side: {
    lines: box(24, 8, 16, 21) + PLATE,
    wrong: 'M4 11h14m-4-3l4 3l-4 3M4 20h14m-4-3l4 3l-4 3',
  },
  warm_time: {
    lines: CLOCK + box(4, 9, 20, 20),
    wrong: 'M9 25q4-4 0-7M14 25q4-4 0-7M19 25q4-4 0-7',
  },
  after_change: {
    lines: dot(11, 16, 6) + dot(37, 16, 6),
    wrong: 'M19 12h10m-3-3l3 3l-3 3M29 21H19m3-3l-3 3l3 3',
  },
  only_reel: { lines: dot(9, 16, 6) + dot(39, 16, 6), wrong: reel(24, 16, 7) },
  all_reels: { lines: '', wrong: dot(9, 16, 6) + dot(24, 16, 6) + dot(39, 16, 6) },
  smooth_feel: {
    lines: levels(6, 24, [11, 16, 21, 26]),
    wrong: 'M44 6q-8 0-10 5l-6 7q4 4 8 0l8-4',
  },
  white: { lines: 'M13 7h22v22h-22z' + PLATE, wrong: 'M40 5v4M38 7h4M8 4v4M6 6h4M42 15v4M40 17h4' },
}
