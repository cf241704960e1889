import { mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

/** Findings about hands and dials. */
export const INDICATOR_WORDS = {
  'hand-backwards': s => ({
    title: `${s.name(0)} turns backwards on its dial`,
    why: `Seen from the front, ${s.name(1)} counts ${s.data.sense} and the hand turns against it.`,
    advice:
      'Let the drive turn the other way, number the dial the other way, or put an idler into the train.',
  }),
  'hand-stands': s => ({
    title: `${s.name(0)} stands still on its dial`,
    why: 'It turns no faster or slower than the dial that it is read against.',
    advice: 'Put it on an arbor that turns.',
  }),
  'hand-beyond-dial': s => ({
    title: `${s.name(0)} reaches beyond its dial`,
    why: `It is ${mm(s.data.hand)} long; the dial has a radius of ${mm(s.data.dial)}.`,
  }),
  'hand-off-dial': s => ({
    title: `${s.name(0)} does not turn about the middle of its dial`,
    why: `${s.name(1)} is centred on another axis, so its divisions mean nothing to this hand.`,
    advice: 'Give the hand a dial on its own axis.',
  }),
  'dial-floats': s => ({
    title: `Nothing holds ${s.name()}`,
    why: s.data.plated
      ? 'It stands before the front plate, and nothing is said of what fixes it there.'
      : 'It stands before the machine, and there is no front plate to fix it on.',
    advice: s.data.plated
      ? 'Hold it by screws, or glue it on.'
      : 'Take two plates, or hold it by a stand of your own.',
  }),
  'dial-glued-off': s => ({
    title: `The glue of ${s.name()} reaches no plate`,
    why: `Its back is ${mm(s.data.gap)} before the front plate.`,
    advice: 'Hold it by screws with spacers.',
  }),
  'dial-screw-off': s => ({
    title: `The screws of ${s.name()} lie off its rim`,
    why: `They are on a circle of ${mm(s.data.circle)}; up to ${mm(s.data.most)} their heads have stock round them.`,
    advice: 'Bring them inwards.',
  }),
  'dial-screw-short': s => ({
    title: `No screw ${s.data.screw} holds ${s.name()}`,
    why: `Dial, spacer and plate are ${mm(s.data.needs)}, and no length that is bought ends in the plate.`,
    advice: 'Take another screw, or a thicker plate.',
  }),
  'window-off-dial': s => ({
    title: `A window of ${s.name()} breaks its rim`,
    why: `It reaches to ${mm(s.data.reach)} from the axis; the dial has a radius of ${mm(s.data.radius)}.`,
    advice: 'Bring it inwards or make the dial larger.',
  }),
  'window-inside-out': s => ({
    title: `A window of ${s.name()} has no width`,
    why: `Its inner radius, ${mm(s.data.inner)}, is not less than its outer one, ${mm(s.data.outer)}.`,
    advice: 'Exchange the two.',
  }),
  'moon-never-full': s => ({
    title: `The moon of ${s.name()} is never full`,
    why:
      `With a radius of ${mm(s.data.radius)} the humps cover a part of it even in the ` +
      `middle; up to ${mm(s.data.most)} it is seen whole.`,
    advice: 'Make the moon smaller, or set it farther from the axis.',
  }),
  'ring-off-dial': s => ({
    title: `Ring ${s.data.ring} of ${s.name()} does not fit`,
    why: `It reaches to ${mm(s.data.reach)}; the dial has a radius of ${mm(s.data.radius)}.`,
    advice: 'Bring the ring inwards.',
  }),
  'divisions-crowded': s => ({
    title: `Divisions of ${s.name()} run together`,
    why:
      `On ring ${s.data.ring} they stand ${mm(s.data.pitch)} apart; engraved lines ` +
      `need about ${mm(s.data.least)} (common practice).`,
    advice: 'Take fewer divisions or a larger ring.',
  }),
  'numerals-crowded': s => ({
    title: `Numerals of ${s.name()} run together`,
    why:
      `On ring ${s.data.ring} the widest takes ${mm(s.data.widest)} and has ` +
      `${mm(s.data.room)}; a height of ${mm(s.data.fits)} would fit.`,
    advice: 'Write smaller, write fewer, or set them farther out.',
  }),
  'numerals-off-dial': s => ({
    title: `Numerals of ${s.name()} reach over its rim`,
    why:
      `On ring ${s.data.ring} they reach to ${mm(s.data.reach)}; the dial has a ` +
      `radius of ${mm(s.data.radius)}.`,
    advice: 'Bring them inwards or write smaller.',
  }),
} satisfies Partial<Wordings>;
