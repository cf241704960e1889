import { figure, mm } from '../../ground/units/index.ts';
import type { Sentences } from './sentences.ts';

const len = (x: number): string => mm(x, 2);

/** Why teeth, bores and webs cannot be made, and what would work. */
export const TOOTH_SENTENCES = {
  'too-many-teeth-to-draw': d => `${d.count} teeth are more than are drawn; the limit is ${d.most}.`,
  'too-few-teeth-to-draw': d => `${d.count} teeth cannot make a wheel that turns; use ${d.least} or more.`,
  'root-vanishes': () =>
    'The root of the teeth falls into the centre. Use more teeth, a larger profile shift or a smaller dedendum.',
  'teeth-too-large': d =>
    `${d.count} teeth of module ${figure(d.module, 4)} mm are too large to be drawn as finely as the rest; up to ` +
    `${figure(d.largest, 3)} mm they can be. Take a smaller module or fewer teeth.`,
  'teeth-cut-away': () =>
    'The cutter takes the whole flank away. Use more teeth, a larger profile shift or a smaller dedendum.',
  'tooth-thinned-away': () => 'Thinning for play leaves no tooth. Take less play, or a larger module.',
  'rack-too-deep': () =>
    'At this pressure angle the cutter comes to a point before it reaches the root. Take a smaller dedendum.',
  'no-room-for-tip-edge': d => `A tip corner of ${len(d.size)} is more than the tooth has. Take it smaller.`,
  'ring-tooth-pointed': () =>
    'The ring’s teeth come to a point before their inner circle. Take less shift, or cut the tips down.',
  'ring-gap-closed': d =>
    `With ${d.count} teeth the ring’s gaps close before their root. Take a smaller dedendum.`,
  'rack-tooth-pointed': () =>
    'The rack’s teeth come to a point below their tips. Take a smaller addendum or pressure angle.',
  'tooth-too-thick': d =>
    `A tooth of ${len(d.thickness)} leaves no gap in a pitch of ${len(d.pitch)}. Take thinner leaves.`,
  'pin-too-thick': d =>
    `Pins of ${len(d.pin)} leave no tooth in a pitch of ${len(d.pitch)}. Take thinner pins, or a larger module.`,
  'gap-too-deep': d =>
    `With a root clearance of ${len(d.clearance)} neighbouring gaps run into each other. Take less.`,
  'teeth-cross-themselves': () =>
    'At these figures the outline would run through itself. Take more teeth, a smaller dedendum, or less rounding.',
  'too-few-pins': d => `${d.count} pins do not turn evenly; use ${d.least} or more.`,
  'pins-touch': d =>
    `${d.count} pins of ${len(d.pin)} touch each other. Take thinner pins, or a larger circle.`,
  'too-few-lobes': () => 'A disc needs two lobes at least.',
  'pins-not-more': d =>
    `The ring must have more pins than the disc has lobes; it has ${d.pins} for ${d.lobes}.`,
  'eccentricity-too-large': d =>
    `An eccentricity of ${len(d.eccentricity)} makes loops; it must stay below ` +
    `${len(d.largest)}, the pins’ circle over their number.`,
  'cusp-in-lobes': d =>
    `Pins of ${len(d.pin)} leave cusps in the lobes. Pins must stay below ` +
    `${len(d.largest)}, or the eccentricity be less.`,
  'face-too-wide': d =>
    `A face of ${len(d.width)} reaches past the cone’s apex; ${len(d.largest)} is the usual most.`,
  'hub-too-large': d =>
    `A hub of ${len(d.hub)} is larger than the blank there; ${len(d.largest)} is the most.`,
  'bore-through-toe': d =>
    `A bore of ${len(d.bore)} breaks through the small end; ${len(d.largest)} is the most.`,
  'magnets-past-middle': () => 'The magnets reach past the middle. Take shorter ones, or a larger rim.',
  'magnets-touch': d =>
    `Magnets for ${d.pairs} pole pairs run into each other; ${d.most} pairs is the most on this rim.`,
  'hub-within-bore': d => `The hub of ${len(d.hub)} lies within the bore of ${len(d.bore)}. Take it larger.`,
  'no-room-for-web': () =>
    'Between hub and rim nothing is left. Take a smaller hub or a thinner rim, or leave it solid.',
  'split-falls-apart': d =>
    `Split into ${d.pieces}, a piece falls apart where an opening is cut. Take fewer pieces, or another web.`,
  'balls-not-level': d =>
    `The arm of ${d.body} passes over another ball, so its own lies higher. Give longer arms to the outer tubes.`,
  'holes-too-large': d => `Holes of ${len(d.diameter)} do not fit; ${len(d.largest)} is the largest.`,
  'spokes-too-wide': d => `Spokes of ${len(d.width)} meet at the hub; ${len(d.largest)} is the widest.`,
  'form-needs-ring': () =>
    'A reducer’s disc runs within a ring. Make its meshes internal first, with the disc on an arm.',
  'form-not-yet': d => `Teeth of the form “${d.form}” are kept, and not made here yet. Choose another form.`,
  'form-not-inside': d =>
    `Teeth of the ${d.form} form do not run in rings or on racks here. Keep those on an involute toothing.`,
  'not-a-bevel': () => 'Only a wheel in a bevel mesh has these patterns.',
  'shift-cannot-balance': () => 'No shift within one module balances these two. Change the counts.',
  'distance-too-short': d =>
    `At ${len(d.distance)} the wheels’ base circles already touch; ${len(d.least)} is the least.`,
  'shift-too-large': d =>
    `A distance of ${len(d.distance)} asks for shifts of ` +
    `${figure(Number(d.sum ?? 0), 3)} modules together, more than teeth stand. Change a ` +
    'count or the module.',
} satisfies Partial<Sentences>;
