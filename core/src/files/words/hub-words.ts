import { mm } from '../../ground/units/index.ts';
import type { Wordings } from './finding-words.ts';

/** Hubs that stand out of their wheels, and rims with teeth on both sides. */
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
  'rim-between-teeth': s => ({
    title:
      s.data.is > 0
        ? `${s.name(1)} is thin between its teeth inside and outside`
        : `The teeth outside ${s.name(1)} reach into those inside`,
    why:
      `Between the roots ${s.data.is > 0 ? `${mm(s.data.is)} remain` : 'nothing remains'}; a rim of 1.2 times the ` +
      `depth of its teeth, ${mm(s.data.least)}, bends no tooth more than a solid wheel would (ANSI/AGMA 2101-D04).`,
    advice: `From ${s.data.count} teeth outside on there is enough.`,
  }),
  'bolts-at-edge': s => ({
    title: `The bolt circle of ${s.name()} has no room`,
    why:
      `It is ${mm(s.data.circle)} across; with 2 mm of stock round its holes it must be between ` +
      `${mm(s.data.least)}, for the bore, and ${mm(s.data.most)}, for the roots (common practice, no source).`,
    advice: 'Take another circle, smaller screws or a larger wheel.',
  }),
  'bolts-meet': s => ({
    title: `The bolt holes of ${s.name()} meet`,
    why: `With 2 mm between them ${s.data.most} stand on that circle, and ${s.data.number} are asked for.`,
    advice: 'Take fewer, or a larger circle.',
  }),
  'bolts-in-opening': s => ({
    title: `The bolt holes of ${s.name()} break into its web`,
    why: 'They must lie in stock, 2 mm from every opening; spokes begin at tooth 0, as bolts do.',
    advice: 'As many bolts as spokes lie in these; or take a solid web.',
  }),
  'lugs-in-teeth': s => ({
    title: `Lugs of ${s.name()} stand in its teeth outside`,
    why: 'Lugs stand out of a rim, and here teeth do. The body is made without them.',
    advice: 'Let a wall join it to its arbor, or take the teeth outside away.',
  }),
} satisfies Partial<Wordings>;
