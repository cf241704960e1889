import { fixed, figure, mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

const swept = (moving: boolean): string => (moving ? ' somewhere in the room that they sweep' : '');

/** Findings about where things stand and what they strike. */
export const LAYOUT_WORDS = {
  'held-by-nothing': s => ({
    title: `${s.name()} is held still by nothing`,
    why:
      s.data.what === 'ring'
        ? 'The ring must stand still, and lies beside no plate to which it could be screwed.'
        : 'It must stand still, and reaches no plate in which it could be fixed.',
    advice:
      s.data.what === 'ring'
        ? 'Move the ring to a layer beside a plate, or fix it in something of your own.'
        : 'Let it turn within what lies between it and a plate, or change layers.',
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
  'pin-off-wheel': s => ({
    title: `${s.name()}: the pin stands off its wheel`,
    why: `It is set at ${mm(s.data.radius)} from the middle; its wheel reaches ${mm(s.data.most)}.`,
    advice: 'Set the pin further in, or take a larger wheel or an arm.',
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
    title: `${s.name(0)} has no bore for ${s.name(1)}`,
    why: `It turns about ${s.name(1)}, ${mm(s.data.inner)} across, but is solid.`,
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
