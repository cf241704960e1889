import { degrees, figure, mm } from '../units/index.ts';
import type { Words } from './finding-words.ts';

const deg = (radians: number): string => `${figure(degrees(radians), 3)}°`;

const FAULT: Readonly<Record<string, string>> = {
  binds: 'binds',
  jams: 'jams',
  'lets go': 'lets go',
};

/** Findings about forms of teeth, bodies and features. */
export const TEETH_WORDS: Readonly<Record<string, Words>> = {
  'needs-mate': s => ({
    title: `${s.name()} has no mate yet`,
    why: `Teeth of this form (${s.text('kind')}) are made for the wheel or pinion they meet.`,
    advice: 'Put it in mesh.',
  }),
  'ring-involute': s => ({
    title: `${s.name(1)} is fouled by the tips of ${s.name(2)}`,
    why: `The ring’s tips reach ${mm(s.num('by'), 3)} too far in: they touch the wheel’s feet, below where its flanks begin.`,
    advice: 'Cut the ring’s tips down, or shift its teeth outwards.',
  }),
  'ring-trochoid': s => ({
    title: `${s.name(1)} and ${s.name(2)} strike with their tips`,
    why: `${s.num('count')} teeth in ${s.num('ring')}: away from the line of centres the tips run into each other.`,
    advice: 'Take a larger difference of counts, stub teeth, or a larger pressure angle.',
  }),
  'ring-radial': s => ({
    title: `${s.name(1)} goes into ${s.name(2)} from the side only`,
    why: 'Pushed from the middle outwards, its tips catch on the ring’s; slid in along the axle, it fits.',
  }),
  'bore-fault': s => ({
    title: `${s.name()}: the bore cannot be cut`,
    why:
      s.text('problem') === 'key-too-wide'
        ? 'The key is as wide as the bore.'
        : 'What is left across the flat must be more than half the bore, and less than all of it.',
    advice: 'Change the bore’s sizes.',
  }),
  'web-impossible': s => ({
    title: `${s.name()}: no room for its web`,
    why: webWhy(s.text('problem'), s.num),
    advice: 'Take fewer or narrower spokes or holes, a smaller hub, or leave it solid.',
  }),
  'thin-rim': s => ({
    title: `${s.name()}: thin rim`,
    why: `${mm(s.num('rim'))} under the roots; one and a half modules, ${mm(s.num('least'))}, is the least to trust (common practice).`,
  }),
  'thin-spokes': s => ({
    title: `${s.name()}: thin spokes`,
    why: `${mm(s.num('width'))} wide; one and a half modules, ${mm(s.num('least'))}, is the least to trust (common practice).`,
    advice: 'Make the spokes wider.',
  }),
  'disc-wall': s => ({
    title: `${s.name()}: little left round its output holes`,
    why: `${mm(s.num('wall'))} from the holes to ${s.text('to')}; a quarter of a pin, ${mm(s.num('least'))}, is the least to trust (common practice).`,
    advice: 'Take smaller or fewer output pins, another circle for them, or less eccentricity.',
  }),
  'tooth-too-fine': s => ({
    title: `${s.name()}: teeth too fine for the ${s.text('process')}`,
    why: `A tooth is only ${mm(s.num('is'))} wide where it is thinnest; the ${s.text('process')} makes ${mm(s.num('least'))} at least.`,
    advice: 'Take a larger module, or a finer process.',
  }),
  'gap-too-fine': s => ({
    title: `${s.name()}: gaps too narrow for the ${s.text('process')}`,
    why: `A gap is only ${mm(s.num('is'))} wide; the ${s.text('process') === 'router' ? 'cutter needs' : 'cut alone takes'} ${mm(s.num('least'))}.`,
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
    why: `It is formed for ${s.num('first')} teeth and also meets ${s.num('other')}; a cycloidal addendum fits one of them only.`,
    advice: 'Give both mates one count, or part the toothing in two wheels.',
  }),
  'lantern-needs-pins': s => ({
    title: `${s.name()}: no lantern pinion`,
    why: 'One of the two must be a ring of pins.',
    advice: 'Make the smaller one a lantern pinion.',
  }),
  'pins-drive': s => ({
    title: `${s.name(1)} drives with its pins`,
    why: 'Contact then comes before the line of centres, where friction is worst; a lantern pinion is made to be driven.',
    advice: 'Let the wheel drive, or use another form of teeth here.',
  }),
  'few-pins': s => ({
    title: `${s.name(1)} has few pins`,
    why: `${s.num('count')} pins; fewer than ${s.num('least')} leave before the next has come (common practice). Roll the mesh to see.`,
    advice: 'Take more pins, or thinner ones.',
  }),
  'pegs-fail': s => ({
    title: `${s.name()} ${FAULT[s.text('fault')] ?? 'fails'} when ${s.name(1)} drives`,
    why: pegWhy(s.text('fault'), s.num),
    advice: pegAdvice(s.text('fault')),
  }),
  'hands-wrong': s => ({
    title: `${s.name()}: the helices do not match`,
    why: `Side by side the hands must be opposite, in a ring alike; here they must be ${s.text('wanted')}.`,
  }),
  thrust: s => ({
    title: `${s.name()} is pushed ${s.num('sense') > 0 ? 'up' : 'down'} its axle`,
    why: `Helical teeth push with ${figure(100 * s.num('share'), 3)} % of their force; ${s.name(1)} is pushed the other way. A collar or a washer must take it, on both.`,
    advice: 'Double helical teeth have no thrust.',
  }),
  'face-wide': s => ({
    title: `${s.name()}: wide faces`,
    why: `${mm(s.num('width'))} along the cone; ${mm(s.num('most'))} is usual: a third of the cone distance, ${mm(s.num('cone'))}, and ten modules at most.`,
  }),
  'magnets-slip': s => ({
    title: `${s.name()} slips under load`,
    why: 'Magnets hold up to a force and then jump a pole: a safety, and a limit. How much they hold is not computed.',
    advice:
      'Try the pair before the machine is built round it. Small strong magnets: keep from children and pacemakers.',
  }),
  'iron-pieces': s => ({
    title: `${s.name()} needs soft iron between`,
    why: `Two concentric rings of unequal pole pairs turn each other only through ${s.num('pieces')} pieces of soft iron between them, as many as both have together (common practice).`,
  }),
  'rolls-without-meeting': s => ({
    title: `${s.name()} do not reach each other`,
    why: 'Rolled as they are, no tooth of one meets a tooth of the other.',
    advice: 'Bring the centres closer.',
  }),
  'outlines-overlap': s => ({
    title: `${s.name()}: teeth run into each other`,
    why: `Rolled as they will be cut, they overlap by up to ${mm(s.num('overlap'), 3)}, with ${mm(s.num('play'), 3)} of play at the tightest place.`,
    advice: 'Allow play, set the centres apart, or mend what the other findings name.',
  }),
  'contact-broken': s => ({
    title: `${s.name()}: contact breaks off`,
    why: `Flank rests on flank for ${figure(s.num('is'), 3)} of a pitch; between, an edge scrapes.`,
    advice: 'More teeth, longer addenda, or centres closer together.',
  }),
  'rolls-unevenly': s => ({
    title: `${s.name()} turn unevenly`,
    why: `The driven wheel runs up to ${mm(s.num('error'), 3)} ahead and back within a tooth, more than chords of ${mm(s.num('chord'), 4)} explain: the forms do not roll on each other throughout.`,
  }),
  shock: s => ({
    title: `${s.name()}: teeth meet with a knock`,
    why: `When one pair takes over from the other the driven wheel’s speed jumps by ${figure(100 * s.num('jump'), 2)} %.`,
    advice: 'Ease the tips, or take more teeth.',
  }),
  'slack-exceeds': s => ({
    title: `${s.name()} has more play than its tolerance`,
    why: `Its hand may stand ${figure(s.num('total'), 3)}° off for play alone; you allow ${figure(s.num('limit'), 3)}°. The largest share is ${figure(s.num('most'), 3)}°.`,
    advice:
      'Take the play up with a light brake or spring on the hand, or allow less play where the share is largest.',
  }),
};

function webWhy(problem: string, num: (key: string) => number): string {
  switch (problem) {
    case 'hub-within-bore':
      return `The hub of ${mm(num('hub'))} lies within the bore.`;
    case 'holes-too-large':
      return `Holes of ${mm(num('diameter'))} run into each other or into the rim; ${mm(num('largest'))} is the largest.`;
    case 'spokes-too-wide':
      return `Spokes of ${mm(num('width'))} meet at the hub; ${mm(num('largest'))} is the widest.`;
    default:
      return `Between a hub of ${mm(num('hub'))} and a rim that starts at ${mm(num('rim'))} nothing is left.`;
  }
}

function pegWhy(fault: string, num: (key: string) => number): string {
  if (fault === 'jams')
    return `Pegs run into each other: play ${mm(num('play'), 3)} at the worst place, computed in space.`;
  if (fault === 'lets go') return 'A peg has left before the next has come.';
  return `The push leans up to ${deg(num('leaning'))} out of the driven wheel’s plane and presses it along its axle; friction of ${deg(num('binding'))} stops it, and the material has ${deg(num('friction'))}.`;
}

function pegAdvice(fault: string): string {
  if (fault === 'jams') return 'Shorten the pegs, or take them further apart.';
  if (fault === 'lets go') return 'Take more pegs, or longer ones.';
  return 'Take more pegs, let the other wheel drive, or smooth and wax the pegs.';
}
