/** A problem that says all by its code. */
type Nothing = Readonly<Record<string, never>>;

/**
 * Every fact that can stand in the way, and what it carries: a problem cannot be raised or worded otherwise. Lengths in
 * mm, angles in degrees, the rest as their names say. Ordered by the room that meets it.
 */
export interface Problems {
  // blanks
  'blanks-no-aim': Nothing;
  'blanks-no-bearing': { aim: string };
  'blanks-none': Nothing;
  'blanks-none-allowed': { wheel: string };
  'blanks-nothing': Nothing;
  'blanks-sense': { aim: string };
  'blanks-still': Nothing;
  'blanks-sums': Nothing;
  'blanks-too-many': { trials: number; most: number };
  // body
  'split-falls-apart': { pieces: number };
  'balls-not-level': { body: string };
  'holes-too-large': { diameter: number; largest: number };
  'hub-within-bore': { hub: number; bore: number };
  'no-room-for-web': { hub: number; rim: number };
  'spokes-too-wide': { width: number; largest: number };
  // branch
  'drift-needs-period': Nothing;
  'error-needed': Nothing;
  'outputs-too-few': Nothing;
  'outputs-too-many': { most: number };
  'sum-too-large': { most: number; largest: number };
  'sum-too-small': { most: number; smallest: number };
  'sums-reversed': { least: number; most: number };
  // build
  'module-not-positive': Nothing;
  // counts
  'coaxial-needs-two': Nothing;
  'idler-no-room': { least: number; most: number; room: number };
  'limit-too-large': { most: number; largest: number; stage?: number };
  'limit-too-small': { least: number; smallest: number; stage?: number };
  'limits-not-whole': { stage?: number };
  'limits-reversed': { least: number; most: number; stage?: number };
  'module-needed': Nothing;
  'no-count-left': {
    stage: number;
    side: string;
    least: number;
    most: number;
    stock: boolean;
    forbidden: boolean;
    noPrimes: boolean;
    /** Largest outside diameter, where one is set. */
    outside?: number;
  };
  'no-stages': Nothing;
  'stage-ratio-reversed': Nothing;
  'total-out-of-range': { total: number; least: number; most: number };
  'too-few-pieces': { pieces: number; needs: number };
  'stages-not-searched': { most: number };
  'stock-empty': Nothing;
  'stock-not-a-count': { text: string; least: number; most: number };
  'stock-twice': { count: number };
  'train-empty': Nothing;
  'train-unreadable': { text: string };
  // coupon
  'bore-too-large-for-coupon': { rod: number };
  // derive
  'arm-is-drive': Nothing;
  'arm-stands-still': Nothing;
  'still-needs-arm': Nothing;
  'teeth-not-drawn': { wheel: string };
  'turns-with-arm': Nothing;
  // dry
  'dry-no-units': Nothing;
  'dry-nothing': Nothing;
  // format
  'mesh-unreadable': { format: string; what: string };
  'outline-crosses': Nothing;
  'outline-doubled': { count: number; at: string };
  'outline-none': { open: number };
  'outline-open': { from: string; to: string; gap: number };
  'outline-too-fine': { points: number; most: number };
  'outline-units': { width: number; height: number };
  'outline-unreadable': { format: string; what: string };
  // hand
  'form-needs-ring': Nothing;
  'form-not-yet': { form: string };
  'form-not-inside': { form: string };
  'curve-no-width': Nothing;
  'curve-too-high': { lift: number; most: number };
  /** Where along the drawing, in its units. */
  'curve-turns-back': { at: number };
  'table-line': { line: number; text: string };
  'table-angle': { line: number; deg: number };
  'table-lift': { line: number; lift: number; least: number; most: number };
  'table-short': { points: number };
  'table-long': { points: number; most: number };
  'hand-arm-circle': { name: string; arm: string };
  'linkage-points': { given: number; least: number; most: number };
  'linkage-one-place': Nothing;
  'linkage-angles': { given: number; least: number; most: number };
  'linkage-angles-order': { crankDeg: number };
  'linkage-none-found': Nothing;
  'linkage-unread': { line: number; text: string };
  'hand-cam-too-near': { a: string; b: string; apart: number; radius: number };
  'hand-count': { count: number };
  'hand-gone': { id: string };
  'hand-hangs-already': { name: string; arm: string };
  'hand-hold-drive': { name: string };
  'hand-idler-external': { type: string };
  'hand-meshes-already': { a: string; b: string };
  'hand-needs-arbor': { name: string };
  'hand-no-stage': Nothing;
  'hand-no-toothing': Nothing;
  'hand-one-arbor': { name: string };
  'hand-one-axis': { a: string; b: string };
  'hand-one-member': { name: string };
  'hand-needs-second': { kind: string };
  'row-not-of': { kind: string };
  'hand-one-way': { type: string };
  'hand-ring-count': { count: number; own: number };
  'hand-same-axis': { a: string; b: string };
  'hand-shared-wheel': { name: string };
  'hand-two-frames': { a: string; b: string };
  'place-needs': { kind: string };
  'pose-name': Nothing;
  // indicator
  'bodies-unknown': Nothing;
  'reading-beyond': { text: string; full: number };
  'reading-clock': { text: string };
  'reading-name': { text: string; names: string };
  'reading-no-dial': { name: string };
  'reading-number': { text: string };
  'reading-stands': { name: string };
  // layout
  'fold-covered': { wheel: string; arbor: string };
  'fold-none': { kinds: number };
  'fold-nothing-free': Nothing;
  'fold-room-too-small': { name: string; needs: number; room: number };
  'layers-not-found': { name: string };
  // machine
  'axis-on-itself': { id: string };
  'file-broken-off': Nothing;
  'change-invalid': { where: string; what: string };
  'file-invalid': { where: string; what: string; more: number };
  'file-newer': { version: number; known: number };
  'file-not-json': Nothing;
  'file-not-ours': { format: string };
  'file-too-large': { megabytes: number; most: number };
  'file-version-unreadable': { version: string };
  'id-twice': { id: string };
  'missing-aim': { owner: string; id: string };
  'bearing-unknown': { owner: string; name: string };
  'screw-unknown': { owner: string; name: string };
  'missing-axis': { owner: string; id: string };
  'missing-dial': { owner: string; id: string };
  'missing-frame': { owner: string; id: string };
  'missing-joint': { owner: string; id: string };
  'missing-material': { owner: string; id: string };
  'missing-member': { owner: string; id: string };
  'missing-mode': { owner: string; id: string };
  'missing-process': { owner: string; id: string };
  'missing-toothing': { owner: string; id: string };
  'missing-wheel': { owner: string; id: string };
  'size-impossible': { toothing: string };
  'size-needs-count': { toothing: string };
  'size-not-for-form': { toothing: string };
  // make
  'one-piece-apart': { name: string; number: number };
  'compensation-swallows': { by: number };
  // mesh
  'distance-too-short': { distance: number; least: number };
  'shift-cannot-balance': { sum: number };
  'shift-too-large': { distance: number; sum: number };
  // motion
  'loop-unreadable': { text: string };
  'loop-zero': Nothing;
  // output
  'no-plates': Nothing;
  'not-a-bevel': Nothing;
  'nothing-to-draw': Nothing;
  // period
  'period-not-in-library': { text: string };
  // planetary
  'planetary-odd': { sun: number; ring: number };
  'planetary-same-member': Nothing;
  'planetary-sum': { sun: number; planet: number; ring: number; needs: number };
  'planetary-too-small': { least: number; smallest: number };
  'planetary-two-counts': Nothing;
  'planetary-none': { tried: number; tooLarge: number; unequal: number; close: number };
  'planets-out-of-range': { planets: number; most: number };
  'two-ring-still': { planet: number };
  // sets
  'places-unreadable': { part: string };
  'planets-overlap': { planets: number; planet: number; fit: number };
  'set-gone': { id: string };
  'set-no-room': { planet: number; ring: number };
  'set-not-whole': { name: string };
  'set-one-stage': { name: string };
  'set-outside-out-of-reach': { outside: number; least: number; most: number };
  'set-shift-too-large': { sun: number; planet: number; ring: number; shift: number };
  'set-too-many-teeth': { most: number; is: number };
  'set-too-many-stages': { most: number };
  'set-none-found': Nothing;
  'step-without-hub': Nothing;
  'step-without-tap': Nothing;
  'step-leaning': Nothing;
  'step-bent': Nothing;
  'step-one-piece': Nothing;
  'set-search-not-whole': Nothing;
  // rational
  'division-by-zero': { text: string };
  'not-a-choice': { text: string; of: string };
  'not-a-number': { text: string };
  'number-too-long': { most: number };
  // ready
  'motion-work-ratio': { ratio: number };
  'reducer-counts': { lobes: number; pins: number };
  'reducer-no-room': { lobes: number; pins: number; module: number };
  'reducer-not-whole': Nothing;
  'reducer-outside-out-of-reach': { outside: number; least: number; most: number };
  'reducer-ring-turns': Nothing;
  'pairs-count': { count: number; least: number; most: number };
  'pairs-empty': Nothing;
  'pairs-odd': { count: number };
  'pairs-one': { count: number };
  'pairs-sums': { a: string; b: string; sum: number; other: number };
  'pairs-two': { count: number };
  'pairs-unreadable': { part: string };
  'ready-no-drive': Nothing;
  // solid
  'bevel-face-too-wide': { wheel: string; most: number };
  'eccentric-too-thin': { disc: string; outside: number; bore: number; eccentricity: number };
  'higher-than-bed': { is: number; most: number };
  'no-room-on-bed': { number: number; is: number; by: number; width: number; depth: number };
  'bodies-not-yet': { kind: string };
  'link-no-figure': Nothing;
  /** How far the second roller stands from the first, mm. */
  'second-roller-by-hand': { apart: number };
  /** Where two pins stand, mm. */
  'guides-by-hand': { ax: number; ay: number; bx: number; by: number };
  'body-needs-printer': Nothing;
  'bevel-needs-printer': Nothing;
  'ball-no-file': { diameter: number };
  'part-unknown': { part: string };
  'too-many-triangles': { wheel: string; most: number; is: number };
  // tooth
  'bore-through-toe': { bore: number; largest: number };
  'cusp-in-lobes': { pin: number; largest: number };
  'eccentricity-too-large': { eccentricity: number; largest: number };
  'face-too-wide': { width: number; largest: number };
  'gap-too-deep': { clearance: number };
  'hub-too-large': { hub: number; largest: number };
  'magnets-past-middle': { pairs: number };
  'magnets-touch': { pairs: number; most: number };
  'no-room-for-tip-edge': { size: number };
  'pin-too-thick': { pin: number; pitch: number };
  'pins-not-more': { pins: number; lobes: number };
  'pins-touch': { pin: number; count: number };
  'rack-too-deep': { dedendum: number };
  'rack-tooth-pointed': { tip: number };
  'ring-gap-closed': { count: number };
  'ring-tooth-pointed': { tip: number };
  'root-vanishes': { rootDiameter: number };
  'teeth-cross-themselves': { count: number };
  'teeth-too-large': { count: number; module: number; largest: number };
  'teeth-cut-away': { count: number };
  'too-few-lobes': { lobes: number };
  'too-few-pins': { count: number; least: number };
  'too-few-teeth-to-draw': { count: number; least: number };
  'too-many-teeth-to-draw': { count: number; most: number };
  'tooth-thinned-away': { thickness: number };
  'tooth-too-thick': { thickness: number; pitch: number };
  // units
  'date-no-day': { text: string; days: number };
  'date-no-time': { text: string };
  'date-out-of-range': { year: number; first: number; last: number };
  'date-unreadable': { text: string };
  'decimal-comma': { text: string };
  'drive-has-no-period': Nothing;
  'drive-has-no-travel': Nothing;
  'nothing-typed': Nothing;
  'period-negative': Nothing;
  'period-unreadable': { text: string; from: string };
  'period-zero': Nothing;
  'ratio-negative': Nothing;
  'ratio-zero': Nothing;
  'speed-zero': Nothing;
  'beats-need-teeth': { beats: string };
  'travel-unreadable': { text: string };
  'uncertainty-unreadable': { text: string };
  'unit-missing': { text: string };
  'unit-unknown': { unit: string };
  'year-unnamed': Nothing;
  // what is typed at a screen
  'date-needs-clock': Nothing;
  'date-needs-start': Nothing;
  'top-out-of-range': { most: number };
  'name-too-long': { most: number };
  'tolerance-zero': Nothing;
  'pose-number': { text: string };
  // workshop
  'no-room-on-sheet': { number: number; is: number; by: number; width: number; height: number };
}

export type ProblemCode = keyof Problems;
