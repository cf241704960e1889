import { figure, mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

/** What holds arbors otherwise than between two plates. */
export const FRAME_WORDS = {
  'lies-across': s => ({
    title: `Nothing holds ${s.name()}, which stands beyond crossing wheels`,
    why:
      'A plate holds what stands upright at its place in the plan. Brackets are made for one arbor by itself, level ' +
      'and at right angles, whose wheels mesh across on one side.',
    advice: 'Stand it in brackets of your own, with bores by the fit of the plates.',
  }),
  'bracket-low': s => ({
    title: `${s.name()} lies too low for a bracket`,
    why:
      `It lies ${mm(s.data.height)} above the back plate, and a bracket for it needs ${mm(s.data.least)}: ` +
      'half its hole and 2 mm of stock.',
    advice: 'Lay the back plate below a lower layer, or take larger wheels.',
  }),
  'bracket-strikes': s => ({
    title: `The bracket of ${s.name(0)} stands in ${s.name(1)}`,
    why: 'Its upright stands on the back plate, from there up past its arbor, and that is in the way.',
    advice: 'Turn its axis about its mate at Places, or shape or lay what it strikes otherwise.',
  }),
  'plank-too-thin': s => ({
    title: 'The plank is too thin for its rods',
    why:
      `A rod stands ${mm(s.data.out)} out of it and is sunk ${mm(s.data.deep)}: at more than five times its ` +
      'depth it leans (common practice, no source).',
    advice: `Take one of ${mm(s.data.least)}, or fewer layers.`,
  }),
  'column-too-short': s => ({
    title: 'The column is shorter than what reaches out below',
    why: `It is ${mm(s.data.height)} high, and an arbor reaches ${mm(s.data.out)} below the back plate.`,
    advice: 'Take a higher column.',
  }),
  'column-strikes': s => ({
    title: `${s.name()} turns in the column`,
    why:
      s.data.gap < 0
        ? `It reaches out below the back plate, ${mm(-s.data.gap)} into the column.`
        : `It reaches out below the back plate, ${mm(s.data.gap)} beside the column; ${mm(s.data.least)} are wanted.`,
    advice: 'Put the column elsewhere, or let the arbor end at the plate.',
  }),
  'base-tips': s => ({
    title: 'It would tip over on its base',
    why:
      `It falls when it leans by ${s.data.lean > 0 ? figure(s.data.lean, 2) : '0'}°, its weight taken to lie in the ` +
      'middle of its height; equipment is asked to stand 10° (IEC 62368-1, 8.6).',
    advice: `Take a base of ${mm(s.data.least)}, a lower column, or put it under the middle.`,
  }),
} satisfies Partial<Wordings>;
