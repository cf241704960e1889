import { mm } from '../units/index.ts';
import type { Words } from './finding-words.ts';

/** Findings about hands and dials. */
export const INDICATOR_WORDS: Readonly<Record<string, Words>> = {
  'hand-backwards': s => ({
    title: `${s.name(0)} turns backwards on its dial`,
    why: `Seen from the front, ${s.name(1)} counts ${s.text('sense')} and the hand turns against it.`,
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
    why: `It is ${mm(s.num('hand'))} long; the dial has a radius of ${mm(s.num('dial'))}.`,
  }),
  'hand-off-dial': s => ({
    title: `${s.name(0)} does not turn about the middle of its dial`,
    why: `${s.name(1)} is centred on another axis, so its divisions mean nothing to this hand.`,
    advice: 'Give the hand a dial on its own axis.',
  }),
  'window-off-dial': s => ({
    title: `A window of ${s.name()} breaks its rim`,
    why: `It reaches to ${mm(s.num('reach'))} from the axis; the dial has a radius of ${mm(s.num('radius'))}.`,
    advice: 'Bring it inwards or make the dial larger.',
  }),
  'window-inside-out': s => ({
    title: `A window of ${s.name()} has no width`,
    why: `Its inner radius, ${mm(s.num('inner'))}, is not less than its outer one, ${mm(s.num('outer'))}.`,
    advice: 'Exchange the two.',
  }),
  'moon-never-full': s => ({
    title: `The moon of ${s.name()} is never full`,
    why: `With a radius of ${mm(s.num('radius'))} the humps cover a part of it even in the middle; up to ${mm(s.num('most'))} it is seen whole.`,
    advice: 'Make the moon smaller, or set it farther from the axis.',
  }),
  'ring-off-dial': s => ({
    title: `Ring ${s.num('ring')} of ${s.name()} does not fit`,
    why: `It reaches to ${mm(s.num('reach'))}; the dial has a radius of ${mm(s.num('radius'))}.`,
    advice: 'Bring the ring inwards.',
  }),
  'divisions-crowded': s => ({
    title: `Divisions of ${s.name()} run together`,
    why: `On ring ${s.num('ring')} they stand ${mm(s.num('pitch'))} apart; engraved lines need about ${mm(s.num('least'))} (common practice).`,
    advice: 'Take fewer divisions or a larger ring.',
  }),
  'numerals-crowded': s => ({
    title: `Numerals of ${s.name()} run together`,
    why: `On ring ${s.num('ring')} the widest takes ${mm(s.num('widest'))} and has ${mm(s.num('room'))}; a height of ${mm(s.num('fits'))} would fit.`,
    advice: 'Write smaller, write fewer, or set them farther out.',
  }),
  'numerals-off-dial': s => ({
    title: `Numerals of ${s.name()} reach over its rim`,
    why: `On ring ${s.num('ring')} they reach to ${mm(s.num('reach'))}; the dial has a radius of ${mm(s.num('radius'))}.`,
    advice: 'Bring them inwards or write smaller.',
  }),
};
