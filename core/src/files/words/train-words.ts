import { figure, fixed, mm, sayAmount } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';
import { LINKAGE_WORDS } from './linkage-words.ts';
import { sayProblem } from './problem.ts';

/** A fraction with a true minus sign. */
const signed = (text: string): string => text.replace('-', '−');

/** Findings about aims, the train and teeth in general. */
export const TRAIN_WORDS = {
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
  'aim-in-other-mode': s => ({
    title: `${s.name()} is met in another mode`,
    why: `In this mode it is not; in “${s.data.mode}” it is.`,
  }),
  'aim-on-arm': s => ({
    title: `${s.name()} is reckoned as seen from an arm`,
    why: 'The ratio that its train must have on the arm is worked out and can be searched.',
    advice:
      'At Train, hang its arbor on the arm and let it serve this output; open counts are then found towards it.',
  }),
  'limit-missed': s => ({
    title: `${s.name()} turns too ${s.data.limit === 'most' ? 'fast' : 'slowly'}`,
    why:
      `It makes ${figure(s.data.achieved, 4)} turns per turn of the drive; ` +
      `${s.data.limit === 'most' ? 'at most' : 'at least'} ` +
      `${figure(s.data.wanted, 4)} are wanted.`,
  }),
  'aim-unreadable': s => ({
    title: `${s.name()} cannot be weighed`,
    why: sayProblem(s.data.problem),
  }),
  'tolerance-needs-period': s => ({
    title: `${s.name()}: tolerance cannot be weighed`,
    why: 'A time says nothing about turns where the drive has no period, a way nothing where it does not roll.',
    advice: 'State it in degrees over turns of the drive, such as 1 in 100 turns; or say how the drive goes.',
  }),
  'wrong-sense': s => ({
    title: `${s.name()} turns the wrong way`,
    why: 'Each external mesh reverses; an idler turns the sense once more and leaves the ratio.',
    advice: 'Where both centres are fixed, search again at Counts: it finds trains with room for an idler.',
  }),
  'aim-missed': s => ({
    title: `${s.name()} drifts too far`,
    why:
      `It is out by ${sayAmount(s.data.in, Math.abs(s.data.drift))} in ${s.data.over}; you ` +
      `allow ${sayAmount(s.data.in, s.data.limit)}.`,
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
  ...LINKAGE_WORDS,
  'ratchet-clicks': s => ({
    title: `${s.name()}: the ratchet clicks`,
    why: 'One side runs ahead of the other the way the ratchet lets it.',
  }),
  'ratchet-locks': s => ({
    title: `${s.name()}: the ratchet locks`,
    why: 'The rest of the train turns its two sides against each other the way the ratchet does not let them.',
    advice: 'Turn the other way, or let the ratchet turn the other way.',
  }),
  'not-worked-out': s => ({
    title: `${s.name()}: not worked out whole`,
    why: `Of this kind (${s.data.kind}) not worked out yet: ${s.data.lacks}. Nothing of that is judged here.`,
    advice: 'It is kept in the file. Prove it another way before you cut.',
  }),
  'crossed-needs-helix': s => ({
    title: `${s.name()}: crossed wheels with straight teeth`,
    why: 'Where the shafts cross, the teeth of both must lean, by as much together as the shafts do.',
    advice: 'Give the teeth of this mesh a helix.',
  }),
  'sector-as-full': s => ({
    title: `${s.name()} is reckoned as a full wheel`,
    why:
      `It has ${s.data.has} of ${s.data.of} teeth. Its mean rate is that of a full wheel; where it lets go and ` +
      'takes hold again is not worked out yet.',
  }),
  'wrong-member': s => ({
    title: `${s.name(0)} moves nothing`,
    why: `${s.name(1)} is a ${s.data.is}; a ${s.data.needs} is needed there.`,
    advice: `Give the joint a ${s.data.needs}.`,
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
      s.data.asked === undefined || s.data.given === undefined
        ? 'This mesh asks for another rate than the rest of the train gives: the train is locked.'
        : `Two ways from the drive disagree: through this mesh ${s.name(1)} would turn ` +
          `${signed(s.data.asked)}, by the rest of the train it turns ` +
          `${signed(s.data.given)}.`,
    advice: 'Change a count or take a mesh away.',
  }),
  locked: s => ({
    title: `${s.name()} is locked`,
    why:
      `These wheels mesh in a ring of odd length: through this mesh ${s.name(1)} would ` +
      `turn ${signed(s.data.asked)}, by the other way ${signed(s.data.given)}.`,
    advice: 'Take a mesh away, or put one idler more into the ring.',
  }),
  'second-freedom': s => ({
    title: `${s.name()} turns as it likes`,
    why:
      'The drive does not settle how it ' +
      `turns${s.data.members > 1 ? `, nor ${s.data.members - 1} tied to it` : ''}: ` +
      'the train has a second freedom.',
    advice: 'Hold it, drive it, or join it to the train.',
  }),
  'not-driven': s => ({
    title: `${s.name()} is not driven`,
    why: 'No chain of meshes from the drive fixes its rate.',
    advice: 'Join it to the train, hold it, or remove it.',
  }),
  'too-fast-for-hand': s => ({
    title: `${s.name()} turns too fast for a hand`,
    why:
      `It is to make ${figure(s.data.rpm, 4)} turns a minute; a hand manages about ` +
      `${s.data.most} for a short time (common practice).`,
    advice: 'Gear the crank down: let it turn more slowly than the machine asks, or drive it by a motor.',
  }),
  'planets-misfit': s => ({
    title: `${s.name()}: ${s.data.planets} do not go together`,
    why:
      `Teeth come into gaps only at multiples of 360°/${figure(s.data.places, 6)} round ` +
      'the arm, and these places are not among them.',
    advice:
      (s.data.fits === '' ? 'No number of equal places would' : `In equal places ${s.data.fits} would`) +
      (s.data.counts === '' ? '.' : `; or take ${s.data.counts}.`),
  }),
  'no-module': s => ({
    title: `${s.name()} has no module`,
    why: 'Its size hangs on a wheel or mesh that gives none.',
    advice: 'Size it by module.',
  }),
  'teeth-not-drawn': s => ({
    title: `${s.name()} is drawn as a circle`,
    why: `Teeth of this kind (${s.data.kind}) are kept in the document, not drawn yet and not judged.`,
  }),
  'teeth-impossible': s => ({
    title: `${s.name()} cannot be cut`,
    why: sayProblem(s.data.problem),
  }),
  undercut: s => ({
    title: `${s.name()} is undercut`,
    why:
      `${s.data.count} teeth; the rack cuts into the flank below ` +
      `${figure(s.data.limit, 4)}. The foot is weakened and contact shortened.`,
    advice: 'Use more teeth, a profile shift or a larger pressure angle.',
  }),
  'pointed-tip': s => ({
    title: `${s.name()} has pointed teeth`,
    why: 'Its flanks meet below the tip circle.',
    advice: 'Take less profile shift, more teeth, or stub teeth.',
  }),
  'thin-tip': s => ({
    title: `${s.name()} has thin tips`,
    why: `${mm(s.data.tip)} at the tip; ${mm(s.data.least)} is the least to trust (common practice).`,
    advice: 'Take less profile shift, or stub teeth.',
  }),
  'bore-through-root': s => ({
    title: `${s.name()}: bore larger than the root`,
    why: `The bore of ${mm(s.data.bore)} does not fit within the root of ${mm(s.data.root)}.`,
    advice: 'Take a smaller bore, more teeth or a larger module.',
  }),
  'thin-wall': s => ({
    title: `${s.name()}: little left round the bore`,
    why:
      `${mm(s.data.wall)} between bore and root; one module, ${mm(s.data.least)}, is ` +
      'the least to trust (common practice).',
  }),
  'fillet-too-large': s => ({
    title: `${s.name()}: fillet larger than the gap`,
    why:
      `A tip radius of ${figure(s.data.fillet, 3)} modules does not fit the rack; ` +
      `${figure(s.data.largest, 3)} is its full round, and is used.`,
  }),
  'toothings-differ': s => ({
    title: `${s.name()} do not match`,
    why: 'Wheels in mesh must share one toothing.',
    advice: 'Give both the same toothing.',
  }),
  'layers-differ': s => ({
    title: `${s.name()} lie in different layers`,
    why: `Layers ${s.data.a + 1} and ${s.data.b + 1}: they pass each other instead of meshing.`,
    advice: 'Put them in one layer.',
  }),
  'pins-not-behind': s => ({
    title: `${s.name()} does not lie behind its disc`,
    why:
      `The plate of pins is in layer ${s.data.plate + 1}, the nearest disc in layer ${s.data.disc + 1}: ` +
      (s.data.plate === s.data.disc
        ? 'the plate is where the disc swings.'
        : 'the pins stand forward, through the layers next to the plate.'),
    advice: 'Put the plate in the layer behind the disc.',
  }),
  'wheel-meshes-itself': s => ({
    title: `${s.name()}: a wheel in mesh with itself`,
    why: 'A mesh needs two wheels.',
  }),
  'little-contact': s => ({
    title: `${s.name()}: too little contact`,
    why:
      `Contact ratio ${fixed(s.data.is, 2)}; below ${fixed(s.data.least, 1)} one pair ` +
      'of teeth may leave before the next has arrived.',
    advice: 'Use more teeth, less profile shift, a smaller pressure angle, or centres closer together.',
  }),
  'no-play': s => ({
    title: `${s.name()}: no play`,
    why: `Play ${mm(s.data.play, 3)}: the teeth jam.`,
    advice: 'Set the centres apart or thin the teeth.',
  }),
} satisfies Partial<Wordings>;
