import type { Machine } from '../machine/index.ts';
import type { Finding, Fix } from '../result/index.ts';
import { figure, fixed, mm } from '../units/index.ts';
import type { FindingWords, Words } from './finding-words.ts';
import { nameOf } from './names.ts';
import { sayProblem } from './problem.ts';
import { INDICATOR_WORDS } from './indicator-words.ts';
import { LAYOUT_WORDS } from './layout-words.ts';
import { MAKE_WORDS } from './make-words.ts';
import { TEETH_WORDS } from './teeth-words.ts';

/** A fraction with a true minus sign. */
const signed = (text: string): string => text.replace('-', '−');

const WORDS: Readonly<Record<string, Words>> = {
  'no-drive': () => ({
    title: 'Nothing drives the machine',
    why: 'Without a drive no rate can be worked out.',
    advice: 'Name the arbor that is turned.',
  }),
  'aim-on-drive': s => ({
    title: `${s.name()} is the drive itself`,
    why: 'The drive turns once per turn of itself, whatever the train.',
    advice: 'Choose a train for the aim, or remove it.',
  }),
  'aim-without-train': s => ({
    title: `${s.name()} has no train yet`,
    why: 'No arbor turns for this aim.',
    advice: 'Choose counts for it.',
  }),
  'aim-without-rate': s => ({
    title: `${s.name()} does not turn`,
    why: 'The meshes give its arbor no rate.',
    advice: 'Join it to the drive.',
  }),
  'aim-frame-not-solved': s => ({
    title: `${s.name()} is meant on an arm`,
    why: 'Aims relative to an arm are not weighed yet.',
  }),
  'aim-on-arm': s => ({
    title: `${s.name()} is reckoned as seen from an arm`,
    why: 'The ratio that its train must have on the arm is worked out and can be searched.',
    advice:
      'At Train, hang its arbor on the arm and let it serve this output; open counts are then found towards it.',
  }),
  'limit-missed': s => ({
    title: `${s.name()} turns too ${s.text('limit') === 'most' ? 'fast' : 'slowly'}`,
    why: `It makes ${figure(s.num('achieved'), 4)} turns per turn of the drive; ${s.text('limit') === 'most' ? 'at most' : 'at least'} ${figure(s.num('wanted'), 4)} are wanted.`,
  }),
  'aim-unreadable': s => ({
    title: `${s.name()} cannot be weighed`,
    why: sayProblem({ code: s.text('problem'), data: {} }),
  }),
  'tolerance-needs-period': s => ({
    title: `${s.name()}: tolerance over a time`,
    why: 'The drive has no period, so a time says nothing about its turns.',
    advice: 'State the tolerance over turns of the drive, such as 100 turns.',
  }),
  'wrong-sense': s => ({
    title: `${s.name()} turns the wrong way`,
    why: 'Each external mesh reverses; an idler turns the sense once more and leaves the ratio.',
    advice: 'Where both centres are fixed, search again at Counts: it finds trains with room for an idler.',
  }),
  'aim-missed': s => ({
    title: `${s.name()} drifts too far`,
    why: `It is out by ${figure(Math.abs(s.num('drift')), 3)}° in ${s.text('over')}; you allow ${figure(s.num('limit'), 3)}°.`,
    advice: 'Choose other counts, or allow more.',
  }),
  'count-open': s => ({
    title: `${s.name()}: a count is open`,
    why: 'A mesh with an open count gives no rate.',
    advice: 'Type its count, or fill the blanks towards the aims.',
  }),
  'meshes-itself': s => ({
    title: `${s.name()} are on one arbor`,
    why: 'A joint between two things that turn as one gives no motion; it is left out.',
    advice: 'Take the joint away, or put one of the two on an arbor of its own.',
  }),
  'uneven-loop': s => ({
    title: `${s.name()} would bind`,
    why: 'It turns unevenly within a turn, and another way round holds both its sides at even rates.',
    advice: 'Open the loop, or set a second such joint against it.',
  }),
  'ratchet-clicks': s => ({
    title: `${s.name()}: the ratchet clicks`,
    why: 'One side runs ahead of the other the way the ratchet lets it.',
  }),
  'ratchet-locks': s => ({
    title: `${s.name()}: the ratchet locks`,
    why: 'The rest of the train turns its two sides against each other the way the ratchet does not let them.',
    advice: 'Turn the other way, or let the ratchet turn the other way.',
  }),
  slips: s => ({
    title: `${s.name()} slip on each other`,
    why: 'Both are turned by the rest of the train, at different rates, so their slipping joint gives way.',
  }),
  'frames-differ': s => ({
    title: `${s.name()} do not rest in one frame`,
    why: 'Their axes are carried round differently, so they cannot stay in mesh; the joint gives no rate.',
    advice: 'Hang both on one arm, or put one of them on the arm’s own line.',
  }),
  'rack-needs-slide': s => ({
    title: `${s.name()}: no rack to move`,
    why: 'A rack slides along a line; one of the two must be a rack on a slide, the other a wheel on an arbor.',
    advice: 'Take the mesh away and drive a rack from the wheel.',
  }),
  'held-not-solved': s => ({
    title: `${s.name()} is held in a frame it does not rest in`,
    why: 'It can be held in its own frame, in one that carries that round, or in an arm on its own line.',
  }),
  contradiction: s => ({
    title: `${s.name()} cannot turn`,
    why:
      s.text('asked') === ''
        ? 'This mesh asks for another rate than the rest of the train gives: the train is locked.'
        : `Two ways from the drive disagree: through this mesh ${s.name(1)} would turn ${signed(s.text('asked'))}, by the rest of the train it turns ${signed(s.text('given'))}.`,
    advice: 'Change a count or take a mesh away.',
  }),
  locked: s => ({
    title: `${s.name()} is locked`,
    why: `These wheels mesh in a ring of odd length: through this mesh ${s.name(1)} would turn ${signed(s.text('asked'))}, by the other way ${signed(s.text('given'))}.`,
    advice: 'Take a mesh away, or put one idler more into the ring.',
  }),
  'second-freedom': s => ({
    title: `${s.name()} turns as it likes`,
    why: `The drive does not settle how it turns${s.num('members') > 1 ? `, nor ${s.num('members') - 1} tied to it` : ''}: the train has a second freedom.`,
    advice: 'Hold it, drive it, or join it to the train.',
  }),
  'not-driven': s => ({
    title: `${s.name()} is not driven`,
    why: 'No chain of meshes from the drive fixes its rate.',
    advice: 'Join it to the train, hold it, or remove it.',
  }),
  'too-fast-for-hand': s => ({
    title: `${s.name()} turns too fast for a hand`,
    why: `It is to make ${figure(s.num('rpm'), 4)} turns a minute; a hand manages about ${s.num('most')} for a short time (common practice).`,
    advice: 'Gear the crank down: let it turn more slowly than the machine asks, or drive it by a motor.',
  }),
  'planets-misfit': s => ({
    title: `${s.name()}: ${s.num('planets')} do not go together`,
    why: `Teeth come into gaps only at multiples of 360°/${figure(s.num('places'), 6)} round the arm, and these places are not among them.`,
    advice: `${s.text('fits') === '' ? 'No number of equal places would' : `In equal places ${s.text('fits')} would`}${s.text('counts') === '' ? '' : `; or take ${s.text('counts')}`}.`,
  }),
  'no-module': s => ({
    title: `${s.name()} has no module`,
    why: 'Its size hangs on a wheel or mesh that gives none.',
    advice: 'Size it by module.',
  }),
  'teeth-not-drawn': s => ({
    title: `${s.name()} is drawn as a circle`,
    why: `Teeth of this kind (${s.text('kind')}) are kept in the document and not drawn yet.`,
  }),
  'teeth-impossible': s => ({
    title: `${s.name()} cannot be cut`,
    why: sayProblem({
      code: s.text('problem'),
      data: s.data,
    }),
  }),
  undercut: s => ({
    title: `${s.name()} is undercut`,
    why: `${s.num('count')} teeth; the rack cuts into the flank below ${figure(s.num('limit'), 4)}. The foot is weakened and contact shortened.`,
    advice: 'Use more teeth, a profile shift or a larger pressure angle.',
  }),
  'pointed-tip': s => ({
    title: `${s.name()} has pointed teeth`,
    why: 'Its flanks meet below the tip circle.',
    advice: 'Take less profile shift, more teeth, or stub teeth.',
  }),
  'thin-tip': s => ({
    title: `${s.name()} has thin tips`,
    why: `${mm(s.num('tip'))} at the tip; ${mm(s.num('least'))} is the least to trust (common practice).`,
    advice: 'Take less profile shift, or stub teeth.',
  }),
  'bore-through-root': s => ({
    title: `${s.name()}: bore larger than the root`,
    why: `The bore of ${mm(s.num('bore'))} does not fit within the root of ${mm(s.num('root'))}.`,
    advice: 'Take a smaller bore, more teeth or a larger module.',
  }),
  'thin-wall': s => ({
    title: `${s.name()}: little left round the bore`,
    why: `${mm(s.num('wall'))} between bore and root; one module, ${mm(s.num('least'))}, is the least to trust (common practice).`,
  }),
  'fillet-too-large': s => ({
    title: `${s.name()}: fillet larger than the gap`,
    why: `A tip radius of ${figure(s.num('fillet'), 3)} modules does not fit the rack; ${figure(s.num('largest'), 3)} is its full round, and is used.`,
  }),
  'toothings-differ': s => ({
    title: `${s.name()} do not match`,
    why: 'Wheels in mesh must share one toothing.',
    advice: 'Give both the same toothing.',
  }),
  'layers-differ': s => ({
    title: `${s.name()} lie in different layers`,
    why: `Layers ${s.num('a') + 1} and ${s.num('b') + 1}: they pass each other instead of meshing.`,
    advice: 'Put them in one layer.',
  }),
  'wheel-meshes-itself': s => ({
    title: `${s.name()}: a wheel in mesh with itself`,
    why: 'A mesh needs two wheels.',
  }),
  'little-contact': s => ({
    title: `${s.name()}: too little contact`,
    why: `Contact ratio ${fixed(s.num('is'), 2)}; below ${fixed(s.num('least'), 1)} one pair of teeth may leave before the next has arrived.`,
    advice: 'Use more teeth, less profile shift, a smaller pressure angle, or centres closer together.',
  }),
  'no-play': s => ({
    title: `${s.name()}: no play`,
    why: `Play ${mm(s.num('play'), 3)}: the teeth jam.`,
    advice: 'Set the centres apart or thin the teeth.',
  }),
};

/** A finding as the maker reads it. Throws for a code without words. */
export function sayFinding(finding: Finding, machine: Machine): FindingWords {
  const words =
    WORDS[finding.code] ??
    TEETH_WORDS[finding.code] ??
    LAYOUT_WORDS[finding.code] ??
    MAKE_WORDS[finding.code] ??
    INDICATOR_WORDS[finding.code];
  if (!words) throw new Error(`sayFinding: no words for ${finding.code}`);
  return words({
    name: (n = 0) => nameOf(machine, finding.subjects[n] ?? ''),
    num: key => Number(finding.data[key] ?? 0),
    text: key => String(finding.data[key] ?? ''),
    data: finding.data,
  });
}

const FIXES: Readonly<Record<string, (value: number, name: string) => string>> = {
  'set-shift': v => `Profile shift ${figure(v, 3)}`,
  'set-bore': v => `Bore ${mm(v, 1)}`,
  'set-spread': v => (v === 0 ? 'Centres at theory' : `Spread ${mm(v)}`),
  'set-addendum': v => `Stub teeth, addendum ${figure(v, 3)}`,
  'set-fillet': v => `Fillet ${figure(v, 3)} modules`,
  'dial-other-way': () => 'Number the dial the other way',
  'drive-other-way': () => 'Turn the drive the other way',
  'hand-length': v => `Hand of ${mm(v)}`,
  'insert-idler': v => `Insert an idler of ${v}`,
  'hold-member': () => 'Hold it still',
  'set-places': () => 'Nearest places that do',
  'set-shorten': v => `Cut the tips by ${figure(v, 3)} modules`,
  'set-pin': v => `Pins of ${mm(v)}`,
  'set-rim': v => `Rim ${mm(v, 1)}`,
  'set-solid': () => 'Leave it solid',
  'set-face-width': v => `Face width ${mm(v, 1)}`,
  'form-pinion-drives': () => 'Form it for a driving pinion',
  'form-wheel-drives': () => 'Form it for a driving wheel',
  'hand-left': () => 'Make it left-hand',
  'hand-right': () => 'Make it right-hand',
  'set-teeth': (v, name) => `${name}: ${v} teeth`,
  'own-module': v => `A module of their own, ${figure(v, 6)} mm`,
  'grow-envelope': v => `Envelope of ${mm(v, 0)}`,
  'set-tube': v => `Bore it ${mm(v)}`,
  'support-both': () => 'Hold it on both sides',
  'set-arm-layer': v => `Its bar into layer ${v + 1}`,
  'press-bore': () => 'Press it on',
  'take-thickness': v => `Draw layers ${mm(v, 2)} thick`,
  'slot-bearing': v => `Slots of ${mm(2 * v, 1)}`,
  'find-layers': () => 'Find layers',
  'swing-axis': v => `Swing to ${figure(v, 4)}°`,
};

/** What a fix does, as the label of its button. */
export function sayFix(fix: Fix, machine?: Machine): string {
  const words = FIXES[fix.code];
  if (!words) throw new Error(`sayFix: no words for ${fix.code}`);
  return words(fix.value, machine ? nameOf(machine, fix.subject) : fix.subject);
}
