import { mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

/** Hubs that stand out of their wheels. */
export const HUB_WORDS = {
  'hub-not-here': s => ({
    title: `No hub stands out of ${s.name()} yet`,
    why:
      'Bevels, wheels of pegs or pins, rings, racks and swung discs are made without one: ' +
      'its body would not show it.',
    advice: 'Leave it flush.',
  }),
  'hub-strikes': s => ({
    title: `The hub of ${s.name()} strikes what lies beside it`,
    why: `It stands out by ${mm(s.data.height, 1)}; on its arbor there is room for ${mm(s.data.room, 1)}.`,
    advice: 'Make it lower, let it stand out on the other side, or give it a free layer.',
  }),
  'hub-too-low': s => ({
    title: `The hub of ${s.name()} is too low for its grub screw`,
    why:
      `It stands out by ${mm(s.data.height, 1)}; ${s.data.screw} needs ${mm(s.data.least, 1)}, its thread and ` +
      '1 mm on each side (common practice, no source).',
    advice: 'Make the hub higher.',
  }),
  'hub-too-narrow': s => ({
    title: `The hub of ${s.name()} holds no grub screw`,
    why:
      `It is ${mm(s.data.across, 1)} across: the shortest screw stands out of it. ` +
      `From ${mm(s.data.least, 1)} on one fits.`,
    advice: 'Make the hub wider.',
  }),
  'screw-wants-hub': s => ({
    title: `${s.name()} is too thin for its grub screw`,
    why:
      `${s.data.screw} needs ${mm(s.data.least, 1)} of height, its thread and 1 mm on each side (common practice, ` +
      `no source); the wheel is ${mm(s.data.thick, 1)} thick.`,
    advice: 'Let its hub stand out, or hold it otherwise.',
  }),
} satisfies Partial<Wordings>;
