import { join } from 'node:path';
import { FRAME_MUTATIONS } from './frame-mutations.ts';
import { JOINT_MUTATIONS } from './joint-mutations.ts';

/** A fault put into a file on purpose: what stands there, what is put in its place, and the tests that must notice. */
export interface Mutation {
  readonly what: string;
  readonly file: string;
  /** Where in the file, from its start; the text there goes, and `to` stands in its place. */
  readonly at: number;
  readonly from: string;
  readonly to: string;
  readonly tests: readonly string[];
}

/** A fault by name: where it is, what stands there once, what is put in its place, and the tests that must notice. */
export interface NamedFault {
  readonly what: string;
  readonly file: string;
  readonly from: string;
  readonly to: string;
  readonly tests: string;
}

const LAYOUT = 'core/src/place/layout/nesting.test.ts';

/** Faults that once were, or could be, made; rooms where parts are made first. */
export const NAMED: readonly NamedFault[] = [
  [
    'lightening holes that touch',
    'teeth/body/web.ts',
    'beside - s.spoke',
    'beside',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'a keyed bore without its key',
    'teeth/body/bore.ts',
    'hole.diameter / 2 + hole.depth + more',
    'hole.diameter / 2 + more',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'a hex bore to its flats',
    'teeth/body/bore.ts',
    '/ Math.cos(Math.PI / 6);',
    '/ 1;',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'spokes half as wide',
    'teeth/body/web.ts',
    'const half = s.spoke / 2;',
    'const half = s.spoke / 4;',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'a fit left out',
    'teeth/body/bore.ts',
    'const more = allowanceOf(hole, says) / 2;',
    'const more = 0;',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'ISO 286, row d',
    'teeth/body/running-fit.ts',
    'd: [20, 30, 40, 50, 65, 80, 80]',
    'd: [20, 30, 40, 50, 65, 80, 85]',
    LAYOUT,
  ],
  [
    'ISO 286, grade 9',
    'teeth/body/running-fit.ts',
    '9: [25, 30, 36, 43, 52, 62, 62]',
    '9: [25, 30, 36, 43, 55, 62, 62]',
    LAYOUT,
  ],
  ['washers without end play', 'place/layout/pieces.ts', '(gap - shake) / washer', 'gap / washer', LAYOUT],
  [
    'spacers for the innermost arbor',
    'place/layout/pieces.ts',
    'q.diameter - p.diameter)[0]',
    'p.diameter - q.diameter)[0]',
    LAYOUT,
  ],
  [
    'plates without their margin',
    'place/layout/plate-outline.ts',
    'largest + said.margin + LEAST_BRIDGE',
    'largest + LEAST_BRIDGE',
    LAYOUT,
  ],
  [
    'a bridge of whole holes',
    'place/layout/plates.ts',
    '(a.diameter + b.diameter) / 2',
    'a.diameter + b.diameter',
    LAYOUT,
  ],
  [
    'a negative kerf',
    'making/coupon/fitting.ts',
    'Math.max(0, rounded(value))',
    'rounded(value)',
    'core/src/making/coupon/*.test.ts',
  ],
  [
    'a growth of both sides',
    'making/coupon/fitting.ts',
    '(value - nominal) / 2 },\n  hole',
    'value - nominal },\n  hole',
    'core/src/making/coupon/*.test.ts',
  ],
  [
    'a printer charged by the sheet',
    'making/workshop/estimate.ts',
    "sheet && process.kind !== 'printer'",
    'sheet',
    'core/src/making/workshop/*.test.ts',
  ],
  [
    'holes that weigh',
    'making/workshop/estimate.ts',
    'covered - part.holes.reduce',
    'covered + 0 * part.holes.reduce',
    'core/src/making/workshop/*.test.ts',
  ],
  [
    'clutches forgotten by the flow',
    'state/derive/derive.ts',
    'joints: mode.value.joints, driven',
    'joints: m.joints, driven',
    'core/src/state/derive/pipeline.test.ts',
  ],
  [
    'a module that forgets the root',
    'document/machine/kinds/sizes.ts',
    "'root diameter': { ...atWheel,",
    "'root diameter': { ...pitch, figure: s => s.diameter,",
    'core/src/edits/change/*.test.ts',
  ],
  [
    'play of spread centres halved',
    'teeth/mesh/centre-distance.ts',
    '2 * spread * Math.tan',
    'spread * Math.tan',
    'core/src/teeth/mesh/*.test.ts',
  ],
  ['undercut at another count', 'teeth/tooth/undercut.ts', '2 *', '1.8 *', 'core/src/teeth/tooth/*.test.ts'],
  [
    'drift of half turns',
    'document/period/drift.ts',
    'turns, rational(360n)',
    'turns, rational(180n)',
    'core/src/document/period/*.test.ts',
  ],
  ['a planet too many', 'counting/planetary/assembly.ts', '%', '*', 'core/src/counting/planetary/*.test.ts'],
  [
    'a mailbox that lets errors go',
    '../../web/src/worker/mailbox.ts',
    'say({ run, problem:',
    'void ({ run, problem:',
    'web/src/worker/*.test.ts',
  ],
  [
    'contact not cut short by the mate’s undercut',
    'teeth/mesh/contact-ratio.ts',
    'Math.min(reach(da), line - start(b, db.baseRadius))',
    'reach(da)',
    'core/src/teeth/mesh/mesh.test.ts',
  ],
  [
    'a bar inside a ring',
    'place/layout/gap.ts',
    'b.inner - farthest - a.outer',
    'b.inner - a.outer',
    'core/src/place/layout/gap.test.ts',
  ],
  [
    'one-sided bearing beyond plates',
    'place/layout/support.ts',
    'band.from >= stack.front.to',
    'band.from < stack.back.from',
    LAYOUT,
  ],
  [
    'a set whose undercut is left',
    'counting/planetary/shared-shifts.ts',
    'sum(sun + planet, middle) >= needed',
    'sum(sun + planet, middle) >= -Infinity',
    'core/src/edits/sets/sets.test.ts',
  ],
  [
    'planets put at equal places that do not go together',
    'edits/sets/change-set.ts',
    'equalNumbers(step, number).includes(number)',
    'number > 0',
    'core/src/edits/sets/sets.test.ts',
  ],
  [
    'wheels fused without what fills their bores',
    'making/solid/one-piece-body.ts',
    'if (size)\n      bodies.push(',
    'if (size && radius < 0)\n      bodies.push(',
    'core/src/making/solid/one-piece.test.ts',
  ],
  [
    'an arm that goes through a ball',
    'place/layout/seats.ts',
    'Math.max(z, ...over)',
    'z',
    'core/src/place/layout/seats.test.ts',
  ],
  ['racks counted as hubbed', 'place/layout/spans.ts', " && w.role !== 'rack'", '', LAYOUT],
  [
    'a dial that is even',
    'place/indicator/pointing.ts',
    '(dial ? of(dial.member) : 0)',
    '0',
    'core/src/place/indicator/pointing.test.ts',
  ],
  [
    'a key as long as the stack',
    'making/lists/hardware.ts',
    'w.thickness ?? machine.stack.thickness',
    'machine.stack.thickness',
    'core/src/making/lists/*.test.ts',
  ],
  [
    'a dry run that lets holes be anywhere',
    'making/dry-run/compare.ts',
    '...cut.map(h => Math.min(...e.holes.map(w => edgeOff(h, w)))),',
    '',
    'core/src/making/dry-run/*.test.ts',
  ],
  [
    'a reducer spread the wrong way',
    'state/derive/mesh-state.ts',
    "stand === 'internal' ? -spread : spread",
    'spread',
    'core/src/state/derive/forms-derived.test.ts',
  ],
  [
    'a stage made anew each time',
    'state/state/stage.ts',
    'same ? last :',
    'same && !last ? last :',
    'core/src/state/derive/*.test.ts',
  ],
  [
    'a bent arm as long as a straight one',
    'place/indicator/body-arm.ts',
    'longer: lift * (Math.SQRT2 - 1)',
    'longer: 0',
    'core/src/place/indicator/arms.test.ts',
  ],
  [
    'a ball bearing within its plate',
    'place/layout/fittings.ts',
    'from: band.to - width',
    'from: band.from',
    'core/src/place/layout/frame.test.ts',
  ],
  [
    'a split through teeth',
    'teeth/body/divide.ts',
    'long(0) <= long(half) ? 0 : half',
    'long(0) <= long(half) ? half : 0',
    'core/src/making/solid/divided.test.ts',
  ],
  [
    'parts of an assembly turned the wrong way',
    'files/archive/assembly-step.ts',
    'c * frame.x[key] + s * frame.y[key]',
    'c * frame.x[key] - s * frame.y[key]',
    'core/src/files/archive/assembly-step.test.ts',
  ],
  [
    'a second reducer’s disc whose holes stand the wrong way round',
    'state/derive/wheel-plane.ts',
    '(phases[first] ?? 0) - (phases[wheel.id] ?? 0)',
    '(phases[wheel.id] ?? 0) - (phases[first] ?? 0)',
    'core/src/making/solid/reducer-bodies.test.ts',
  ],
  [
    'a second reducer’s disc that is not opposite',
    'edits/sets/change-reducer.ts',
    'angleDeg: angle + 180',
    'angleDeg: angle + 90',
    'core/src/edits/sets/change-reducer.test.ts',
  ],
  [
    'pins of a reducer that end in the first disc',
    'place/layout/pin-reach.ts',
    'Math.max(0, ...ends.map(to => to - face))',
    'Math.min(...ends.map(to => to - face))',
    'core/src/making/solid/reducer-bodies.test.ts',
  ],
  [
    'a hub on the wrong face',
    'making/solid/hub-solid.ts',
    "side === 'front' ? thick - INTO : -height]",
    "side === 'back' ? thick - INTO : -height]",
    'core/src/making/solid/hubs.test.ts',
  ],
  [
    'a hub that takes no room beside its wheel',
    'place/layout/hub-findings.ts',
    'b.wheel !== wheel.id && overlap(b.band, band)',
    'b.wheel === wheel.id && overlap(b.band, band)',
    'core/src/making/solid/hubs.test.ts',
  ],
  [
    'an assembly with a wheel turned over for its hub',
    'files/archive/assembly-step.ts',
    'item.over ? -thick : thick',
    'item.over ? thick : -thick',
    'core/src/files/archive/assembly-step.test.ts',
  ],
  [
    'a bound that skips what is near',
    'place/layout/turning.ts',
    'Math.max(0, 2 * longest - sum)',
    '2 * longest',
    'core/src/place/layout/turning.test.ts',
  ],
  [
    'brackets on the side of the mate',
    'place/layout/crossing-axes.ts',
    'upsideDown.has(id) ? (1 as const) : (-1 as const)',
    'upsideDown.has(id) ? (-1 as const) : (1 as const)',
    'core/src/place/layout/crossing-axes.test.ts',
  ],
  [
    'a bracket measured from the underside of the plate',
    'place/layout/brackets.ts',
    'height: middle.z - back.to',
    'height: middle.z - back.from',
    'core/src/place/layout/crossing-axes.test.ts',
  ],
  [
    'plates drilled for arbors that lie across them',
    'place/layout/plates.ts',
    ' && !parts.crossing.has(l.axis)',
    '',
    'core/src/place/layout/crossing-axes.test.ts',
  ],
  [
    'a plate that lifts off, pressed on',
    'place/layout/plates.ts',
    "said.liftsOff ? 'sliding' : 'press'",
    "said.liftsOff ? 'press' : 'press'",
    'core/src/place/layout/frame.test.ts',
  ],
  [
    'rods on a plank without room for a clip',
    'place/layout/standing-rods.ts',
    'back && !front && !topped ? CLIP_ROOM : 0',
    'back && !front && !topped ? 0 : 0',
    'core/src/place/layout/frame.test.ts',
  ],
  [
    'a hand of one piece not turned as it is set',
    'making/solid/one-piece-body.ts',
    'turn: byId(machine.indicators, id)?.settingDeg ?? 0',
    'turn: 0',
    'core/src/making/solid/one-piece.test.ts',
  ],
  [
    'a boss in which nothing has room',
    'place/layout/seats.ts',
    'screwedOn(i) ? SCREW_BOSS.height : 0',
    'screwedOn(i) ? 0 : 0',
    'core/src/place/indicator/arms.test.ts',
  ],
  [
    'a STEP boss without its bore',
    'files/format/step.ts',
    'boss !== undefined && aboutOrigin(path)',
    'boss !== undefined && !aboutOrigin(path)',
    'core/src/files/format/step.test.ts',
  ],
  [
    'a clip in the next larger groove',
    'document/bought/clips.ts',
    '[3.2, 4, 5, 0.6, 0.64, 1]',
    '[3.2, 4, 5, 0.6, 0.74, 1]',
    'core/src/place/layout/frame.test.ts',
  ],
  ...FRAME_MUTATIONS,
  ...JOINT_MUTATIONS,
].map(([what = '', file = '', from = '', to = '', tests = '']) => ({
  what,
  file: join('core/src', file),
  from,
  to,
  tests,
}));
