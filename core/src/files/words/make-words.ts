import { figure, mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

/** Findings about what the maker's tools can make of the parts. */
export const MAKE_WORDS = {
  'wall-too-fine': s => ({
    title: `${s.name()}: ${s.data.what} is too thin for the ${s.data.process}`,
    why: `It is ${mm(s.data.is)} wide; ${mm(s.data.least)} is the least that it makes well.`,
    advice: 'Make it wider, or take a finer nozzle or a thinner cut.',
  }),
  'in-place-fuses': s => ({
    title: `${s.name(1)} and ${s.name(2)}, printed in place, would fuse`,
    why:
      `Between their ${s.data.where} stands ${mm(s.data.is)} on each side; the printer keeps ` +
      `${mm(s.data.least)} apart, as its fits say.`,
    advice:
      s.data.where === 'flanks'
        ? 'Give the set more play, or print its parts one by one.'
        : 'Take a larger module or more clearance, or print its parts one by one.',
  }),
  'corner-too-sharp': s => ({
    title: `${s.name()}: the cutter does not reach the roots`,
    why:
      `A cutter of ${mm(s.data.cutter, 2)} leaves ${figure(s.data.left, 2)} mm² in ` +
      'every gap, and the other wheel’s tips may strike it.',
    advice: 'Take a smaller cutter, a larger fillet or a larger module.',
  }),
  'part-too-large': s => ({
    title: `${s.name()} is larger than the ${s.data.place}`,
    why:
      `It measures ${mm(s.data.is, 1)} by ${mm(s.data.by, 1)}; the largest ${s.data.place} is ` +
      `${mm(s.data.width, 0)} by ${mm(s.data.height, 0)}.`,
    advice: 'Take a smaller module, a larger sheet, or make it by another process.',
  }),
  'part-too-high': s => ({
    title: `${s.name()} is higher than the printer`,
    why: `It is ${mm(s.data.is, 1)} high; there are ${mm(s.data.most, 1)}.`,
    advice: 'Make it in several pieces.',
  }),
  'stock-thickness': s => ({
    title: `${s.data.material || 'The stock'} is not as thick as drawn`,
    why:
      `It measures ${mm(s.data.is, 2)}; ${s.name()} is drawn ${mm(s.data.drawn, 2)} ` +
      'thick, so all heights are off.',
    advice: 'Draw the layers as thick as the stock is.',
  }),
} satisfies Partial<Wordings>;
