import { fixed, figure, mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

const swept = (moving: boolean): string => (moving ? ' somewhere in the room that they sweep' : '');

/** Arbors that are not round, as they are called. */
const SECTIONS = {
  ...{ hex: 'a hexagon', square: 'a square', flat: 'a rod with a flat', keyed: 'a rod with a key' },
} as const;

/** Findings about where things stand and what they strike. */
export const LAYOUT_WORDS = {
  'held-by-nothing': s => ({
    title: `${s.name()} is held still by nothing`,
    why:
      s.data.what === 'ring'
        ? 'The ring must stand still, has no hub, and nothing joins it to the plates.'
        : 'It must stand still, and reaches no plate in which it could be fixed.',
    advice:
      s.data.what === 'ring'
        ? 'Give it lugs for rods that stand in the plates, or say that it is glued to the plate beside it.'
        : 'Let it turn within what lies between it and a plate, or change layers.',
  }),
  'lugs-meet': s => ({
    title: `Lugs of ${s.name()} meet`,
    why: `${s.data.is} lugs do not stand side by side round its rim: there is room for ${s.data.most}.`,
    advice: 'Take fewer, or smaller holes.',
  }),
  'one-piece-not-cut': s => ({
    title: `${s.name()} cannot be one piece with its arbor`,
    why: `A ${s.data.process} makes it from a sheet: only a printer makes it and its arbor as one.`,
    advice: 'Print it, or say how it is fixed: pressed, glued, pinned.',
  }),
  'one-piece-through-plate': s => ({
    title: `${s.data.name}, one piece, does not go through the ${s.data.side} plate`,
    why: `It is wider than its arbor on both sides of the ${s.data.side} plate, whose hole fits the arbor.`,
    advice: 'Make what is on one side of the plate a part of its own.',
  }),
  'no-body': s => ({
    title: `Nothing of ${s.name()} is made, and it is needed`,
    why: 'It is said to be only the way that planets go, yet it turns something, shows something or bears wheels.',
  }),
  'out-of-balance': s => ({
    title: `${s.name()} is out of balance`,
    why:
      `Ball and arm pull with ${figure(s.data.out, 4)} g·mm, the counterweight with ${figure(s.data.weight, 4)} g·mm` +
      (s.data.known ? '.' : ', as if all were of 1 g/cm³: a density is not said.'),
  }),
  'arm-not-bent': s => ({
    title: `The arm of ${s.name()} is too short to be bent`,
    why: `Rising ${mm(s.data.lift)} at 45° leaves no level end for its eye; it stays straight, and the pin is longer.`,
  }),
  'shown-strikes': s => ({
    title: `${s.name()} strikes ${s.name(1)}`,
    why: `They overlap by ${mm(s.data.overlap)}${swept(s.data.moving)}, above the front of the machine.`,
    advice: 'Make it shorter, set it elsewhere on its arbor, or lift it over.',
  }),
  'split-uneven': s => ({
    title: `${s.name()} does not divide into ${s.data.pieces} equal pieces`,
    why: `Its ${s.data.count} teeth, its web, its lugs or its bore are not the same in each; it is made whole.`,
  }),
  'split-no-joint': s => ({
    title: `The splits of ${s.name()} are too narrow for a joint`,
    why: `The widest stock along them is ${mm(s.data.width)}; the pieces can only be glued face to face.`,
    advice: 'Make the rim wider, or make the wheel whole.',
  }),
  'split-through-bore': s => ({
    title: `${s.name()} is split through its bore`,
    why: 'A bore in pieces is neither pressed on nor held by a screw: only their joints keep them on the arbor.',
    advice: 'Glue it on, or bolt a disc over the splits.',
  }),
  'bearing-bore': s => ({
    title: `${s.name()} does not go into its ball bearing`,
    why: `Bearing ${s.data.name} is bored ${mm(s.data.bore)}; the arbor is ${mm(s.data.arbor)} across there.`,
    advice: 'Take a bearing of that bore, or a rod or tube that goes into this one.',
  }),
  'bearing-unused': s => ({
    title: `${s.name()} turns in no plate, so bearing ${s.data.name} has no seat`,
    why: 'It turns within another arbor, or reaches neither plate: nothing of the bearing is in sections or lists.',
    advice: 'Give the bearing to the outermost arbor that passes the plate.',
  }),
  'split-not-flat': s => ({
    title: `${s.name()} is not made in pieces`,
    why: 'Bevels, pegs and pinions of pins are not drawn up from one plane figure; it is made whole.',
  }),
  'bearing-in-slot': s => ({
    title: `${s.name()}: a ball bearing cannot be pressed into a slot`,
    why: 'Its hole is a slot so that a mesh can be set; a bearing is held all round.',
    advice: 'Take the slot away, or the bearing.',
  }),
  'feet-without-pillars': () => ({
    title: 'There is nothing to put the feet on',
    why: 'Feet stand on the ends of the pillars, and there are no pillars.',
    advice: 'Add pillars between both plates, at least three.',
  }),
  'feet-tip': s => ({
    title: 'It would tip over on its feet',
    why:
      s.data.feet < 3
        ? 'Fewer than three feet, or feet in one line, bear nothing up.'
        : 'The middle of the back plate does not lie over the ground between its feet.',
    advice: 'Put the pillars on all sides of the machine.',
  }),
  'feet-too-short': s => ({
    title: 'The feet are shorter than what reaches out below',
    why: `They are ${mm(s.data.height)} high, and an arbor reaches ${mm(s.data.out)} out of the back plate.`,
  }),
  'feet-too-thin': s => ({
    title: 'The feet are too thin for the ends of the pillars',
    why: `They are ${mm(s.data.across)} across; round the thickest end ${mm(s.data.least)} leave a wall that holds.`,
  }),
  'bore-not-for-section': s => ({
    title: `${s.name()}: its bore is not for its arbor`,
    why: `The arbor is ${SECTIONS[s.data.section]}; a bore of another shape neither fits nor holds on it.`,
  }),
  'ring-off-arbor': s => ({
    title: `${s.name()} hangs on nothing`,
    why: 'The ring turns something, but has no hub: nothing joins it to its arbor.',
    advice: 'Close it by a wall in the next layer, which sits on the arbor.',
  }),
  'stands-in-nothing': s => ({
    title: 'What the arbors stand in is not judged',
    why:
      'There are no plates, so nothing here says what bears the arbors' +
      (s.name() ? ` and what holds ${s.name()} still.` : '.'),
    advice: 'Add plates at Plan, or see to it that your own frame bears and holds them.',
  }),
  'crank-no-seat': s => ({
    title: `${s.name()} has no end for a crank`,
    why: 'A hand turns it, and it ends between the outermost layers: neither crank nor drill end can sit on it.',
  }),
  'bore-on-round': s => ({
    title: `${s.name()}: its bore is not round, its arbor is`,
    why: `A ${s.data.bore === 'D' ? 'D-shaped' : s.data.bore} bore neither fits nor holds on a round rod.`,
    advice: 'Take a rod of that section, or a round bore.',
  }),
  'bodies-meet': s => ({
    title: `${s.name(0)} and ${s.name(1)} meet as they go round`,
    why: `They go round one line and overlap by ${mm(s.data.overlap)} where one passes the other.`,
    advice: 'Put the outer one further out, or make them smaller.',
  }),
  'cuts-through': s => ({
    title: `${s.name()} cuts through ${s.name(1)}`,
    why: 'Their axes cross, and where they stand in space both would fill the same room.',
    advice: 'Swing one round its mate, or put more layers between them.',
  }),
  'centres-disagree': s => ({
    title: `${s.name()} do not meet`,
    why:
      `Their centres stand ${mm(s.data.is, 3)} apart; the mesh needs ${mm(s.data.needs, 3)}: ` +
      `it misses by ${mm(Math.abs(s.data.is - s.data.needs), 3)}.` +
      (s.data.sum === undefined
        ? ''
        : ` At this module their teeth would have to sum to ${figure(s.data.sum, 6)}; they sum to ${s.data.now}.`),
    advice: 'Change counts or the module, shift the teeth, or let one axis swing.',
  }),
  'idler-too-small': s => ({
    title: `${s.name()} does not reach both its wheels`,
    why: `It has ${s.data.is} teeth; where these stand it needs ${s.data.needs} or more.`,
    advice: 'Give it more teeth, or bring the other two nearer to each other.',
  }),
  'axis-not-placed': s => ({
    title: `The axis of ${s.name()} has no place`,
    why: 'What it hangs on gives no point for it: the distances do not reach, or lead in a circle.',
    advice: 'Change a count, or give it a place of its own.',
  }),
  'phase-clash': s => ({
    title: `${s.name()}: teeth stand on teeth`,
    why: `Going round the loop they miss the gap by ${fixed(Math.abs(s.data.teeth), 3)} of a tooth.`,
    advice: 'Swing an axis, or change a count in the loop: choose this mesh at Train to see which would do.',
  }),
  'wheels-strike': s => ({
    title: `${s.name(0)} strikes ${s.name(1)}`,
    why: `They overlap by ${mm(s.data.overlap)} in one layer${swept(s.data.moving)} and are not meant to mesh.`,
    advice: 'Swing an arbor, move a wheel to another layer, or let layers be found.',
  }),
  'planets-touch': s => ({
    title: `${s.name()}: neighbours strike`,
    why: `Carried in ${s.data.planets} places, the tips of two neighbours overlap by ${mm(s.data.overlap)}.`,
    advice: 'Take fewer places, or a smaller planet on a larger sun.',
  }),
  'wheels-in-one-place': s => ({
    title: `${s.name(0)} and ${s.name(1)} in one place`,
    why: 'Both lie on one axis in one layer.',
    advice: 'Move one to another layer.',
  }),
  'wheel-strikes-arbor': s => ({
    title: `${s.name(0)} strikes the arbor of ${s.name(1)}`,
    why: `They overlap by ${mm(s.data.overlap)} in a layer the arbor passes${swept(s.data.moving)}.`,
    advice: 'Swing an arbor, or change layers.',
  }),
  'arbors-strike': s => ({
    title: `${s.name(0)} and ${s.name(1)} run into each other`,
    why: `Their arbors overlap by ${mm(s.data.overlap)}${swept(s.data.moving)}.`,
    advice: 'Swing one of them away.',
  }),
  'arm-strikes': s => ({
    title: `An arm strikes: ${s.name(0)} and ${s.name(1)}`,
    why: `The bar of the arm overlaps by ${mm(s.data.overlap)} with what it passes in its turn.`,
    advice: 'Put the bar into another layer, or let layers be found.',
  }),
  'pillar-strikes': s => ({
    title: `A pillar is in the way: ${s.name(0)} and ${s.name(1)}`,
    why: `They overlap by ${mm(s.data.overlap)}${swept(s.data.moving)}.`,
    advice: 'Move the pillar to where nothing passes.',
  }),
  'outside-envelope': s => ({
    title: `${s.name()} sticks out of the envelope`,
    why: `By ${mm(s.data.overlap)}${swept(s.data.moving)}.`,
    advice: 'Fold the train into it, swing an arbor, or take a larger envelope.',
  }),
  'envelope-too-small': s => ({
    title: `${s.name()} is larger than the envelope`,
    why:
      `With what is wanted round it it needs ${mm(s.data.needs, 0)}; the envelope is ` +
      `${mm(s.data.room, 1)} across. It cannot go in, wherever it stands.`,
    advice: 'Take a larger envelope, a smaller module or fewer teeth.',
  }),
  'in-keep-out': s => ({
    title: `${s.name(0)} enters ${s.name(1)}`,
    why: `By ${mm(s.data.overlap)}${swept(s.data.moving)}, where nothing is to be.`,
    advice: 'Swing an arbor, change layers, or fold the train.',
  }),
  'too-high': s => ({
    title: 'The pile is higher than its room',
    why: `All layers and plates come to ${mm(s.data.is, 1)}; there are ${mm(s.data.most, 1)}.`,
    advice: 'Let layers be found, use thinner stock, or leave less air between layers.',
  }),
  'runs-close': s => ({
    title: `${s.name(0)} runs close to ${s.name(1)}`,
    why: `${mm(s.data.gap)} between them; you want ${mm(s.data.least)}.`,
  }),
  'tubes-cannot-nest': s => ({
    title: `${s.name(0)} and ${s.name(1)} cannot turn in each other`,
    why: 'Each would have to pass through a wheel or hand of the other on its way along their common line.',
    advice: 'Let layers be found: the wheels of one must all lie beyond those of the other.',
  }),
  'rod-round-rod': s => ({
    title: `${s.name(0)} has no bore for ${s.data.standing ? 'the rod on which it turns' : s.name(1)}`,
    why: `It turns about ${s.data.standing ? 'that' : s.name(1)}, ${mm(s.data.inner)} across, but is solid.`,
    advice: 'Make it a tube.',
  }),
  'tube-binds': s => ({
    title: `${s.name(0)} binds on ${s.name(1)}`,
    why: `Its bore of ${mm(s.data.bore)} leaves less than ${mm(s.data.least)} round ${mm(s.data.inner)}.`,
    advice: 'Bore it wider, or take a thinner tube within.',
  }),
  'thin-tube': s => ({
    title: `${s.name()}: its tube is thin`,
    why: `A wall of ${mm(s.data.wall)}; ${mm(s.data.least)} is the least to trust (common practice).`,
    advice: 'Take a wider tube.',
  }),
  'bore-not-for-tube': s => ({
    title: `${s.name()}: its bore is not for its arbor`,
    why: `Bored ${mm(s.data.bore)}; the arbor it sits on measures ${mm(s.data.tube)} across.`,
    advice: 'Bore it for the arbor, or size the arbors by hand.',
  }),
  'holes-meet': s => ({
    title: `Holes of ${s.name(0)} and ${s.name(1)} are too near`,
    why:
      (s.data.bridge < 0
        ? `They run into each other by ${mm(-s.data.bridge)} `
        : `${mm(s.data.bridge)} of stock is left between them; ${mm(s.data.least)} is the least (common practice) `) +
      `in the ${s.data.plate} plate.`,
    advice: 'Swing one axis away, or move the pillar.',
  }),
  'hole-at-edge': s => ({
    title: `The hole of ${s.name()} is at the edge`,
    why:
      `${mm(s.data.edge)} from the edge of the ${s.data.plate} plate; ` +
      `${mm(s.data.least)} is the least (common practice).`,
    advice: 'Take a larger plate, or fold the train.',
  }),
  'arm-through-plate': s => ({
    title: `${s.name()} is carried through a plate`,
    why: `An arm carries it round, and it passes the ${s.data.plate} plate.`,
    advice: 'Put the plate outside what the arm carries, or change layers.',
  }),
  'held-one-side': s => ({
    title: `${s.name()} is held on one side only`,
    why:
      `At ${s.name(1)} the teeth push it ` +
      (`away${s.data.type === 'external' || s.data.type === 'internal' ? '' : `, ${s.data.type} most of all`}; ` +
        '') +
      'a shaft held at one end gives way and the mesh opens.',
    advice: 'Hold it on both sides, or make its bearing long and stiff.',
  }),
  'nothing-holds': s => ({
    title: `Nothing holds ${s.name()} on its arbor`,
    why: `A round bore with a ${s.data.fit} fit turns on it.`,
    advice: 'Say what holds it: glue, a pin, a grub screw, or a bore with flats.',
  }),
  'mesh-wants-setting': s => ({
    title: `${s.name()} wants a bearing that can be set`,
    why:
      'Pegs and sawn teeth run when their distance is set by ' +
      `trying${s.data.more > 0 ? `; so do ${s.data.more} more meshes` : ''}.`,
    advice: 'Make the bearing holes slots, set the mesh, and only then fix them.',
  }),
} satisfies Partial<Wordings>;
