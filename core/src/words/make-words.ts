import { figure, mm } from '../units/index.ts';
import type { Words } from './finding-words.ts';

/** Findings about what the maker's tools can make of the parts. */
export const MAKE_WORDS: Readonly<Record<string, Words>> = {
  'wall-too-fine': s => ({
    title: `${s.name()}: ${s.text('what')} is too thin for the ${s.text('process')}`,
    why: `It is ${mm(s.num('is'))} wide; ${mm(s.num('least'))} is the least that it makes well.`,
    advice: 'Make it wider, or take a finer nozzle or a thinner cut.',
  }),
  'corner-too-sharp': s => ({
    title: `${s.name()}: the cutter does not reach the roots`,
    why: `A cutter of ${mm(s.num('cutter'), 2)} leaves ${figure(s.num('left'), 2)} mm² in every gap, and the other wheel’s tips may strike it.`,
    advice: 'Take a smaller cutter, a larger fillet or a larger module.',
  }),
  'part-too-large': s => ({
    title: `${s.name()} is larger than the ${s.text('place')}`,
    why: `It is ${mm(s.num('is'), 1)} across; the largest ${s.text('place')} is ${mm(s.num('width'), 0)} by ${mm(s.num('height'), 0)}.`,
    advice: 'Take a smaller module, a larger sheet, or make it by another process.',
  }),
  'part-too-high': s => ({
    title: `${s.name()} is higher than the printer`,
    why: `It is ${mm(s.num('is'), 1)} high; there are ${mm(s.num('most'), 1)}.`,
    advice: 'Make it in several pieces.',
  }),
  'stock-thickness': s => ({
    title: `${s.text('material') || 'The stock'} is not as thick as drawn`,
    why: `It measures ${mm(s.num('is'), 2)}; ${s.name()} is drawn ${mm(s.num('drawn'), 2)} thick, so all heights are off.`,
    advice: 'Draw the layers as thick as the stock is.',
  }),
};
