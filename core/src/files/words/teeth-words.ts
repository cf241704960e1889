import { degrees, figure, mm } from '../../ground/units/index.ts';
import type { Findings } from '../../ground/result/index.ts';
import type { Wordings } from './finding-words.ts';
import { sayProblem } from './problem.ts';

const deg = (radians: number): string => `${figure(degrees(radians), 3)}°`;

/** Findings about forms of teeth, bodies and features. */
export const TEETH_WORDS = {
  'needs-mate': s => ({
    title: `${s.name()} has no mate yet`,
    why: `Teeth of this form (${s.data.kind}) are made for the wheel or pinion they meet.`,
    advice: 'Put it in mesh.',
  }),
  'ring-involute': s => ({
    title: `${s.name(1)} is fouled by the tips of ${s.name(2)}`,
    why:
      `The ring’s tips reach ${mm(s.data.by, 3)} too far in: they touch the wheel’s ` +
      'feet, below where its flanks begin.',
    advice: 'Cut the ring’s tips down, or shift its teeth outwards.',
  }),
  'ring-trochoid': s => ({
    title: `${s.name(1)} and ${s.name(2)} strike with their tips`,
    why: `${s.data.count} teeth in ${s.data.ring}: away from the line of centres the tips run into each other.`,
    advice: 'Take a larger difference of counts, stub teeth, or a larger pressure angle.',
  }),
  'ring-radial': s => ({
    title: `${s.name(1)} goes into ${s.name(2)} from the side only`,
    why: 'Pushed from the middle outwards, its tips catch on the ring’s; slid in along the axle, it fits.',
  }),
  'bore-fault': s => ({
    title: `${s.name()}: the bore cannot be cut`,
    why:
      s.data.fault === 'key-too-wide'
        ? 'The key is as wide as the bore.'
        : 'What is left across the flat must be more than half the bore, and less than all of it.',
    advice: 'Change the bore’s sizes.',
  }),
  'web-impossible': s => ({
    title: `${s.name()}: no room for its web`,
    why: sayProblem(s.data.problem),
    advice: 'Take fewer or narrower spokes or holes, a smaller hub, or leave it solid.',
  }),
  'thin-rim': s => ({
    title: `${s.name()}: thin rim`,
    why:
      `${mm(s.data.rim)} under the roots; one and a half modules, ` +
      `${mm(s.data.least)}, is the least to trust (common practice).`,
  }),
  'thin-spokes': s => ({
    title: `${s.name()}: thin spokes`,
    why:
      `${mm(s.data.width)} wide; one and a half modules, ${mm(s.data.least)}, is the ` +
      'least to trust (common practice).',
    advice: 'Make the spokes wider.',
  }),
  'disc-wall': s => ({
    title: `${s.name()}: little left round its output holes`,
    why:
      `${mm(s.data.wall)} from the holes to ${s.data.to}; a quarter of a pin, ` +
      `${mm(s.data.least)}, is the least to trust (common practice).`,
    advice: 'Take smaller or fewer output pins, another circle for them, or less eccentricity.',
  }),
  'tooth-too-fine': s => ({
    title: `${s.name()}: teeth too fine for the ${s.data.process}`,
    why:
      `A tooth is only ${mm(s.data.is)} wide where it is thinnest; the ` +
      `${s.data.process} makes ${mm(s.data.least)} at least.`,
    advice: 'Take a larger module, or a finer process.',
  }),
  'gap-too-fine': s => ({
    title: `${s.name()}: gaps too narrow for the ${s.data.process}`,
    why:
      `A gap is only ${mm(s.data.is)} wide; the ` +
      `${s.data.process === 'router' ? 'cutter needs' : 'cut alone takes'} ` +
      `${mm(s.data.least)}.`,
    advice: 'Take a larger module, or a thinner cutter.',
  }),
  'pinion-drives': s => ({
    title: `${s.name(1)} drives, but is formed to be driven`,
    why: 'Only the wheel’s addendum is an epicycloid; a pinion with a plain tip scrapes when it drives.',
    advice: 'Form the pair for a pinion that drives, as in motion work.',
  }),
  'wheel-drives': s => ({
    title: `${s.name(1)} drives, but is formed to be driven`,
    why: 'Only the pinion’s addendum is an epicycloid here.',
    advice: 'Form the pair for a wheel that drives.',
  }),
  'two-mates': s => ({
    title: `${s.name()} meets two different mates`,
    why:
      `It is formed for ${s.data.first} teeth and also meets ${s.data.other}; a ` +
      'cycloidal addendum fits one of them only.',
    advice: 'Give both mates one count, or part the toothing in two wheels.',
  }),
  'lantern-needs-pins': s => ({
    title: `${s.name()}: no lantern pinion`,
    why: 'One of the two must be a ring of pins.',
    advice: 'Make the smaller one a lantern pinion.',
  }),
  'pins-drive': s => ({
    title: `${s.name(1)} drives with its pins`,
    why:
      'Contact then comes before the line of centres, where friction is worst; a lantern ' +
      'pinion is made to be driven.',
    advice: 'Let the wheel drive, or use another form of teeth here.',
  }),
  'few-pins': s => ({
    title: `${s.name(1)} has few pins`,
    why:
      `${s.data.count} pins; fewer than ${s.data.least} leave before the next has ` +
      'come (common practice). Roll the mesh to see.',
    advice: 'Take more pins, or thinner ones.',
  }),
  'pegs-fail': s => ({
    title: `${s.name()} ${s.data.fault} when ${s.name(1)} drives`,
    why: pegWhy(s.data),
    advice: pegAdvice(s.data.fault),
  }),
  'hands-wrong': s => ({
    title: `${s.name()}: the helices do not match`,
    why: `Side by side the hands must be opposite, in a ring alike; here they must be ${s.data.wanted}.`,
  }),
  thrust: s => ({
    title: `${s.name()} is pushed ${s.data.sense > 0 ? 'up' : 'down'} its axle`,
    why:
      `Helical teeth push with ${figure(100 * s.data.share, 3)} % of their force; ` +
      `${s.name(1)} is pushed the other way. A collar or a washer must take it, on both.`,
    advice: 'Double helical teeth have no thrust.',
  }),
  'face-wide': s => ({
    title: `${s.name()}: wide faces`,
    why:
      `${mm(s.data.width)} along the cone; ${mm(s.data.most)} is usual: a third of ` +
      `the cone distance, ${mm(s.data.cone)}, and ten modules at most.`,
  }),
  'magnets-slip': s => ({
    title: `${s.name()} slips under load`,
    why: 'Magnets hold up to a force and then jump a pole: a safety, and a limit. How much they hold is not computed.',
    advice:
      'Try the pair before the machine is built round it. Small strong magnets: keep from children and pacemakers.',
  }),
  'magnet-not-sold': s => ({
    title: `${s.name()}: magnets of a size that is hardly sold`,
    why: 'Round ones are usual from 2 to 20 mm, blocks from 4 by 2 to 20 by 5 (common practice, no source).',
    advice: 'Take the nearest that is, or keep yours if you have them.',
  }),
  'iron-pieces': s => ({
    title: `${s.name()} needs soft iron between`,
    why:
      'Two concentric rings of unequal pole pairs turn each other only through ' +
      `${s.data.pieces} pieces of soft iron between them, as many as both have together ` +
      '(common practice).',
  }),
  'rolls-without-meeting': s => ({
    title: `${s.name()} do not reach each other`,
    why: 'Rolled as they are, no tooth of one meets a tooth of the other.',
    advice: 'Bring the centres closer.',
  }),
  'outlines-overlap': s => ({
    title: `${s.name()}: teeth run into each other`,
    why:
      `Rolled as they will be cut, they overlap by up to ${mm(s.data.overlap, 3)}, with ` +
      `${mm(s.data.play, 3)} of play at the tightest place.`,
    advice: 'Allow play, set the centres apart, or mend what the other findings name.',
  }),
  'contact-broken': s => ({
    title: `${s.name()}: contact breaks off`,
    why: `Flank rests on flank for ${figure(s.data.is, 3)} of a pitch; between, an edge scrapes.`,
    advice: 'More teeth, longer addenda, or centres closer together.',
  }),
  'rolls-unevenly': s => ({
    title: `${s.name()} turn unevenly`,
    why:
      `The driven wheel runs up to ${mm(s.data.error, 3)} ahead and back within a ` +
      `tooth, more than chords of ${mm(s.data.chord, 4)} explain: the forms do not roll ` +
      'on each other throughout.',
  }),
  shock: s => ({
    title: `${s.name()}: teeth meet with a knock`,
    why:
      'When one pair takes over from the other the driven wheel’s speed jumps by ' +
      `${figure(100 * s.data.jump, 2)} %.`,
    advice: 'Ease the tips, or take more teeth.',
  }),
  'slack-exceeds': s => ({
    title: `${s.name()} has more play than its tolerance`,
    why:
      `Its hand may stand ${figure(s.data.total, 3)}° off for play alone; you allow ` +
      `${figure(s.data.limit, 3)}°. The largest share is ${figure(s.data.most, 3)}°.`,
    advice:
      'Take the play up with a light brake or spring on the hand, or allow less play where the share is largest.',
  }),
} satisfies Partial<Wordings>;

function pegWhy({ fault, play, leaning, binding, friction }: Findings['pegs-fail']): string {
  if (fault === 'jams' && play !== undefined)
    return `Pegs run into each other: play ${mm(play, 3)} at the worst place, computed in space.`;
  if (fault === 'lets go') return 'A peg has left before the next has come.';
  return (
    `The push leans up to ${deg(leaning)} out of the driven wheel’s plane and ` +
    `presses it along its axle; friction of ${deg(binding)} stops it, and the ` +
    `material has ${deg(friction)}.`
  );
}

function pegAdvice(fault: Findings['pegs-fail']['fault']): string {
  if (fault === 'jams') return 'Shorten the pegs, or take them further apart.';
  if (fault === 'lets go') return 'Take more pegs, or longer ones.';
  return 'Take more pegs, let the other wheel drive, or smooth and wax the pegs.';
}
