import { fixed } from '../../ground/units/index.ts';
import { type Sentences, reading, inStage, limitsNamed } from './sentences.ts';

/** What is wrong with something that was asked or typed, and what would work. */
export const ASKED_SENTENCES = {
  'nothing-typed': () =>
    'Nothing is typed here. Write a period such as 12.4206 h, or a ratio such as 235/19.',
  'not-a-choice': d => `“${d.text}” is none of these: ${d.of}.`,
  'not-a-number': d => `${reading(d)} is not a number. Write one such as 12.4206 or 235/19.`,
  'number-too-long': d => `That is longer than can be read. Use at most ${d.most} characters.`,
  'division-by-zero': d => `${reading(d)} divides by nought. Write a bottom figure other than 0.`,
  'decimal-comma': d =>
    `${reading(d)} has a comma inside a number. Write the decimal with a point, as in 12.4206.`,
  'ratio-zero': () => 'A ratio of nought means the output stands still. Write a ratio above 0.',
  'ratio-negative': () => 'Write the ratio without a sign; which way it turns is set beside it.',
  'period-zero': () => 'A period of nought cannot be turned. Write a period above 0, such as 12 h.',
  'period-negative': () => 'A period cannot be negative. Which way it turns is set beside it.',
  'beats-need-teeth': d =>
    `${d.beats} beats turn nothing until the teeth of the escape wheel are known. ` +
    'Write “with 15 teeth” after it; or, for turns, 5 rpm.',
  'speed-zero': () => 'A speed of nought never turns. Write a speed above 0, such as 5 rpm.',
  'period-unreadable': d =>
    `From “${d.from.slice(0, 40)}” on, this cannot be read. Write figures with ` +
    'units, such as 29d 12h 44m 2.9s.',
  'unit-unknown': d =>
    `“${d.unit}” is not a unit of time here. Use s, min, h, d, week, tropical year, sidereal year or Julian year.`,
  'unit-missing': d => `${reading(d)} has no unit. Write a period such as 12 h, or a speed such as 5 rpm.`,
  'year-unnamed': () =>
    'Say which year: tropical year (365.24219 d), sidereal year (365.25636 d) or Julian year (365.25 d).',
  'drive-has-no-period': () =>
    'The drive has no period of its own, so a period cannot be compared with it. Give the ' +
    'drive a period, or write the aim as a ratio.',
  'drive-has-no-travel': () =>
    'A reading per distance needs the way that the drive rolls in a turn. Write it at the ' +
    'drive, such as 0.4 m round or 130 mm across.',
  'travel-unreadable': d =>
    `${reading(d)} is not a way that can be rolled. Write one such as 0.4 m round, 400 mm or 130 mm across.`,
  'period-not-in-library': d =>
    `${reading(d)} is not in the library. Write a period after the name, such as Mars, 686.98 d.`,
  'uncertainty-unreadable': d =>
    `${reading(d)}: how well a figure is known comes once, after ±, with its unit, as in 29.530589 d ± 0.2 s.`,
  'still-needs-arm': () =>
    'An output that is held still needs no train, unless an arm carries it. Say which arm it is seen from.',
  'arm-stands-still': () => 'An arm that stands still is the ground. Give the arm a period.',
  'turns-with-arm': () =>
    'This output turns just as the arm does: fixed to the arm it needs no train. Check the periods.',
  'arm-is-drive': () =>
    'The arm turns just as the drive does, so the drive stands still as seen from it. Let a ' +
    'standing wheel drive the train.',
  'limits-not-whole': d => `${inStage(d)}Tooth counts are whole numbers. Write the limits without decimals.`,
  'limits-reversed': d =>
    `${inStage(d)}The least count, ${d.least}, is above the most, ${d.most}. Swap them.`,
  'limit-too-small': d =>
    `${inStage(d)}Wheels of ${d.least} teeth cannot be made here. Start at ${d.smallest} or more.`,
  'limit-too-large': d =>
    `${inStage(d)}${d.most} teeth is more than this search covers. Use at most ${d.largest}.`,
  'no-count-left': d =>
    `No count is left for the ${d.side} wheel of stage ${d.stage}: ${limitsNamed(d)}. ` +
    'Give up or widen one of them.',
  'stock-twice': d => `${d.count} is in the stock list twice. Write it once; ${d.count}×2 means two pieces.`,
  'stock-not-a-count': d =>
    `${reading(d)} is not a count that can be in stock. Write whole counts from ` +
    `${d.least} to ${d.most}, such as 12, 20-30, 48×2.`,
  'stock-empty': () => 'The stock list is empty. Write the counts there are, such as 12, 20-30, 48×2.',
  'train-empty': () => 'Write the counts of a train, driving first, such as 41/84 61/56.',
  'train-unreadable': d =>
    `${reading(d)} is not a stage. Write driving and driven counts with a stroke between, such as 41/84.`,
  'sums-reversed': d => `The least tooth sum, ${d.least}, is above the most, ${d.most}. Swap them.`,
  'sum-too-large': d => `A tooth sum of ${d.most} is more than is searched. Use at most ${d.largest}.`,
  'sum-too-small': d =>
    `Two wheels of the least count already have ${d.smallest} teeth; a sum of ` +
    `${d.most} leaves none. Raise the sum or lower the least count.`,
  'outputs-too-few': () => 'A plan for the whole machine needs two outputs or more. Add them at Aims.',
  'outputs-too-many': d => `Up to ${d.most} outputs are planned together. Choose fewer.`,
  'error-needed': () => 'For few different counts, say the largest error that is allowed, above 0.',
  'drift-needs-period': () =>
    'A hand-turned drive has no time, so drift has no meaning. Choose the worst error, or give the drive a period.',
  'module-not-positive': () => 'A module is a length above 0 mm, such as 1.5.',
  'module-needed': () => 'Lengths need a module. Give the module of the teeth in mm.',
  'total-out-of-range': d =>
    `No train within these limits has ${d.total} teeth in all: the least is ${d.least}, the most ${d.most}.`,
  'too-few-pieces': d =>
    `There ${d.pieces === 1 ? 'is 1 piece' : `are ${d.pieces} pieces`} in stock; ` +
    `a train of these stages needs ${d.needs} wheels.`,
  'stage-ratio-reversed': () => 'The least ratio of a stage is above the most, or not above 0. Swap them.',
  'no-stages': () => 'Choose how many stages the train may have.',
  'stages-not-searched': d => `Only trains of up to ${d.most} stages are searched.`,
  'coaxial-needs-two': () =>
    'An odd number of stages cannot return to the drive’s centre. Allow two or four, or let ' +
    'the output stand beside the drive.',
  'idler-no-room': d =>
    `Returning to the centre with an idler needs tooth sums that differ by ${d.room}; ` +
    `from ${d.least} to ${d.most} teeth they cannot. Widen the limits.`,
  'reading-clock': d => `${reading(d)} is not a time of a dial. Write one such as 08:20 or 08:20:15.`,
  'reading-number': d => `${reading(d)} is not a reading. Write a number such as 11.3.`,
  'reading-name': d => `${reading(d)} is not on this dial. Write one of ${d.names.slice(0, 200)}.`,
  'reading-beyond': d =>
    `${reading(d)} is beyond the dial. Write a reading from 0 to below ` +
    `${fixed(d.full, 4).replace(/\.?0+$/, '')}.`,
  'reading-stands': d =>
    `${d.name} stands still against what it is read on, so no turn of the drive brings it there.`,
  'reading-no-dial': d =>
    `${d.name} has no dial that would tell where its nought is. Give it one, and it can be set on its arbor.`,
  'bodies-unknown': () =>
    'No body here belongs to an output whose period is one of the sky’s. Put bodies on ' +
    'outputs with such a period first.',
  'top-out-of-range': d => `The number of trains to list is a whole number from 1 to ${d.most}.`,
  'name-too-long': d => `That is longer than a name can be. Use at most ${d.most} characters.`,
  'loop-zero': () => 'A loop of no turns never moves. Write more than nought, such as 1 turn or 90 degrees.',
  'loop-unreadable': d =>
    `${reading(d)} is not a stretch to loop over. Write one such as 1 turn, 2.5 turns or 90 degrees.`,
  'teeth-not-drawn': d => `The teeth of “${d.wheel}” are of a kind that is not drawn yet.`,
  'date-out-of-range': d =>
    `The year ${d.year} is too far away to be reckoned. Write one from ${d.first} to ${d.last}.`,
  'date-no-day': d =>
    `“${d.text}” is no day of the ` +
    `calendar${d.days > 0 ? `: that month has ${d.days}` : ''}. Write one such ` +
    'as 2026-02-28.',
  'date-no-time': d => `“${d.text}” has no time of day. Write hours and minutes, such as 06:30.`,
  'date-needs-clock': () =>
    'The drive has no period, so no date belongs to its turns. Give it one at Aims, or let ' +
    'outputs with periods tell it.',
  'date-needs-start': () => 'Say first at which date the machine stands at nought turns.',
  'pose-number': d => `${d.text} is no number of turns. Write one such as 12.5.`,
  'date-unreadable': d => `${reading(d)} is not a date. Write one such as 2026-01-01 or 2026-01-01 06:30.`,
  'tolerance-zero': () => 'No train is without any drift for ever. Allow more than 0 degrees.',
} satisfies Partial<Sentences>;
