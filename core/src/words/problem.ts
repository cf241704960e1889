import type { Problem } from '../result/index.ts';
import { fixed } from '../units/index.ts';
import { TOOTH_SENTENCES } from './tooth-problem.ts';

type Data = Problem['data'];
type Sentence = (d: Data) => string;

const reading = (d: Data): string =>
  d['text'] === undefined || d['text'] === '' ? 'That' : `“${String(d['text']).slice(0, 60)}”`;

const inStage = (d: Data): string => (d['stage'] === undefined ? '' : `Stage ${d['stage']}: `);

/** The limits that together leave no count. */
const limitsNamed = (d: Data): string =>
  [
    `from ${d['least']} to ${d['most']} teeth`,
    d['stock'] ? 'in stock' : '',
    d['forbidden'] ? 'not forbidden' : '',
    d['noPrimes'] ? 'no primes' : '',
    d['outside'] ? `at most ${d['outside']} mm outside` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** What is wrong, and what would work: one or two sentences a problem. */
const SENTENCES: Readonly<Record<string, Sentence>> = {
  'nothing-typed': () =>
    'Nothing is typed here. Write a period such as 12.4206 h, or a ratio such as 235/19.',
  'not-a-number': d => `${reading(d)} is not a number. Write one such as 12.4206 or 235/19.`,
  'number-too-long': d => `That is longer than can be read. Use at most ${d['most']} characters.`,
  'division-by-zero': d => `${reading(d)} divides by nought. Write a bottom figure other than 0.`,
  'decimal-comma': d =>
    `${reading(d)} has a comma inside a number. Write the decimal with a point, as in 12.4206.`,
  'ratio-zero': () => 'A ratio of nought means the output stands still. Write a ratio above 0.',
  'ratio-negative': () => 'Write the ratio without a sign; which way it turns is set beside it.',
  'period-zero': () => 'A period of nought cannot be turned. Write a period above 0, such as 12 h.',
  'period-negative': () => 'A period cannot be negative. Which way it turns is set beside it.',
  'speed-zero': () => 'A speed of nought never turns. Write a speed above 0, such as 5 rpm.',
  'period-unreadable': d =>
    `From “${String(d['from']).slice(0, 40)}” on, this cannot be read. Write figures with units, such as 29d 12h 44m 2.9s.`,
  'unit-unknown': d =>
    `“${d['unit']}” is not a unit of time here. Use s, min, h, d, week, tropical year, sidereal year or Julian year.`,
  'unit-missing': d => `${reading(d)} has no unit. Write a period such as 12 h, or a speed such as 5 rpm.`,
  'year-unnamed': () =>
    'Say which year: tropical year (365.24219 d), sidereal year (365.25636 d) or Julian year (365.25 d).',
  'drive-has-no-period': () =>
    'The drive has no period of its own, so a period cannot be compared with it. Give the drive a period, or write the aim as a ratio.',
  'drive-has-no-travel': () =>
    'A reading per distance needs the way that the drive rolls in a turn. Write it at the drive, such as 0.4 m round or 130 mm across.',
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
    'The arm turns just as the drive does, so the drive stands still as seen from it. Let a standing wheel drive the train.',
  'limits-not-whole': d => `${inStage(d)}Tooth counts are whole numbers. Write the limits without decimals.`,
  'limits-reversed': d =>
    `${inStage(d)}The least count, ${d['least']}, is above the most, ${d['most']}. Swap them.`,
  'limit-too-small': d =>
    `${inStage(d)}Wheels of ${d['least']} teeth cannot be made here. Start at ${d['smallest']} or more.`,
  'limit-too-large': d =>
    `${inStage(d)}${d['most']} teeth is more than this search covers. Use at most ${d['largest']}.`,
  'no-count-left': d =>
    `No count is left for the ${d['side']} wheel of stage ${d['stage']}: ${limitsNamed(d)}. Give up or widen one of them.`,
  'stock-twice': d =>
    `${d['count']} is in the stock list twice. Write it once; ${d['count']}×2 means two pieces.`,
  'stock-not-a-count': d =>
    `${reading(d)} is not a count that can be in stock. Write whole counts from ${d['least']} to ${d['most']}, such as 12, 20-30, 48×2.`,
  'stock-empty': () => 'The stock list is empty. Write the counts there are, such as 12, 20-30, 48×2.',
  'train-empty': () => 'Write the counts of a train, driving first, such as 41/84 61/56.',
  'train-unreadable': d =>
    `${reading(d)} is not a stage. Write driving and driven counts with a stroke between, such as 41/84.`,
  'planetary-sum': d =>
    `Sun ${d['sun']} and planets of ${d['planet']} need a ring of ${d['needs']}, not ${d['ring']}: ring = sun + 2 · planet.`,
  'planetary-odd': d =>
    `Between sun ${d['sun']} and ring ${d['ring']} no whole planet fits: their difference must be even.`,
  'planetary-two-counts': () => 'Give two of sun, planet and ring; the third follows.',
  'planetary-too-small': d =>
    `One wheel would have ${d['least']} teeth; none may have fewer than ${d['smallest']}. Choose other counts.`,
  'planets-out-of-range': d => `A set has from 1 to ${d['most']} planets, not ${d['planets']}.`,
  'planetary-same-member': () => 'The member that is held cannot drive. Choose another.',
  'sums-reversed': d => `The least tooth sum, ${d['least']}, is above the most, ${d['most']}. Swap them.`,
  'sum-too-large': d => `A tooth sum of ${d['most']} is more than is searched. Use at most ${d['largest']}.`,
  'sum-too-small': d =>
    `Two wheels of the least count already have ${d['smallest']} teeth; a sum of ${d['most']} leaves none. Raise the sum or lower the least count.`,
  'outputs-too-few': () => 'A plan for the whole machine needs two outputs or more. Add them at Aims.',
  'outputs-too-many': d => `Up to ${d['most']} outputs are planned together. Choose fewer.`,
  'error-needed': () => 'For few different counts, say the largest error that is allowed, above 0.',
  'drift-needs-period': () =>
    'A hand-turned drive has no time, so drift has no meaning. Choose the worst error, or give the drive a period.',
  'module-not-positive': () => 'A module is a length above 0 mm, such as 1.5.',
  'top-out-of-range': d => `The number of trains to list is a whole number from 1 to ${d['most']}.`,
  'module-needed': () => 'Lengths need a module. Give the module of the teeth in mm.',
  'stage-ratio-reversed': () => 'The least ratio of a stage is above the most, or not above 0. Swap them.',
  'no-stages': () => 'Choose how many stages the train may have.',
  'stages-not-searched': d => `Only trains of up to ${d['most']} stages are searched.`,
  'coaxial-needs-two': () =>
    'An odd number of stages cannot return to the drive’s centre. Allow two or four, or let the output stand beside the drive.',
  'idler-no-room': d =>
    `Returning to the centre with an idler needs tooth sums that differ by ${d['room']}; from ${d['least']} to ${d['most']} teeth they cannot. Widen the limits.`,
  'file-too-large': d =>
    `The file has ${d['megabytes']} million characters; machine files are read up to ${d['most']} million. Nothing was changed.`,
  'file-not-json': () =>
    'This is not a machine file: it is not JSON text. Open a file that was saved here as .json.',
  'file-broken-off': () =>
    'The file begins like a machine but is damaged or broken off. Take an earlier copy; nothing here was changed.',
  'file-not-ours': d => `This JSON file is not a machine: it does not carry the mark “${d['format']}”.`,
  'file-version-unreadable': d =>
    `The file’s version, ${d['version']}, is not a whole number from 1 up, so it cannot be read safely.`,
  'file-newer': d =>
    `The file is of version ${d['version']}; this application knows versions up to ${d['known']}. Open it with a newer one; nothing was changed.`,
  'file-invalid': d =>
    `At ${d['where']} the file cannot be right: ${d['what']}.${Number(d['more']) > 0 ? ` There are ${d['more']} more such places.` : ''}`,
  'id-twice': d => `The id “${d['id']}” is used twice in the file. Each thing needs its own.`,
  'missing-axis': d => `“${d['owner']}” refers to an axis “${d['id']}” that is not in the file.`,
  'missing-member': d => `“${d['owner']}” stands on an arbor “${d['id']}” that is not in the file.`,
  'missing-toothing': d => `“${d['owner']}” uses a toothing “${d['id']}” that is not in the file.`,
  'missing-wheel': d => `“${d['owner']}” refers to a wheel “${d['id']}” that is not there.`,
  'missing-joint': d => `“${d['owner']}” hangs on a mesh “${d['id']}” that is not in the file.`,
  'missing-aim': d => `“${d['owner']}” belongs to an aim “${d['id']}” that is not in the file.`,
  'missing-process': d => `“${d['owner']}” is made by a process “${d['id']}” that is not in the file.`,
  'reading-clock': d => `${reading(d)} is not a time of a dial. Write one such as 08:20 or 08:20:15.`,
  'reading-number': d => `${reading(d)} is not a reading. Write a number such as 11.3.`,
  'reading-name': d => `${reading(d)} is not on this dial. Write one of ${String(d['names']).slice(0, 200)}.`,
  'reading-beyond': d =>
    `${reading(d)} is beyond the dial. Write a reading from 0 to below ${fixed(Number(d['full']), 4).replace(/\.?0+$/, '')}.`,
  'reading-stands': d =>
    `${d['name']} stands still against what it is read on, so no turn of the drive brings it there.`,
  'reading-no-dial': d =>
    `${d['name']} has no dial that would tell where its nought is. Give it one, and it can be set on its arbor.`,
  'bodies-unknown': () =>
    'No body here belongs to an output whose period is one of the sky’s. Put bodies on outputs with such a period first.',
  'too-many-triangles': d =>
    `${d['wheel']} would need about ${Number(d['is']).toLocaleString('en')} triangles; files of more than ${Number(d['most']).toLocaleString('en')} open nowhere gladly. Allow a larger chord error.`,
  'bevel-face-too-wide': d =>
    `The face of ${d['wheel']} reaches to the apex of its cone. Make the face width less than ${Number(d['most']).toFixed(1)} mm.`,
  'part-unknown': d => `${d['part']} is no longer part of this machine.`,
  'bore-too-large-for-coupon': d =>
    `The wheels of this coupon are too small for a rod of ${d['rod']} mm. Take a thinner rod or a larger module.`,
  'mesh-unreadable': d =>
    `This ${d['format']} file cannot be read: ${d['what']}. Save it again, as binary STL or 3MF.`,
  'dry-no-units': () =>
    'The drawing does not say in which unit it is drawn. Save it in millimetres, with $INSUNITS in a DXF or a width in mm in an SVG.',
  'dry-nothing': () =>
    'The drawing holds no line to cut. Take a file with lines in the layers CUT, DRILL or ENGRAVE.',
  'eccentric-too-thin': d =>
    `The eccentric of ${d['disc']} would break: ${d['outside']} mm across, set off by ${d['eccentricity']} mm, on a shaft of ${d['bore']} mm. Bore the disc wider, or take a thinner shaft.`,
  'higher-than-bed': d =>
    `It is ${d['is']} mm high; the printer reaches ${d['most']} mm. Make it in pieces, or by another process.`,
  'no-room-on-bed': d =>
    `It is larger than the bed of ${d['width']} × ${d['depth']} mm. Give the printer its true bed at Make, or make it by another process.`,
  'name-too-long': d => `That is longer than a name can be. Use at most ${d['most']} characters.`,
  'no-room-on-sheet': d =>
    `${d['number'] === undefined || Number(d['number']) === 1 ? 'It goes' : `${d['number']} of it go`} on no sheet: the largest is ${d['width']} × ${d['height']} mm, or all are full. Give larger or more sheets at Make, or make it by another process.`,
  'compensation-swallows': d =>
    `Moving the line by ${fixed(Math.abs(Number(d['by'])), 3)} mm leaves nothing of a part or a hole, or breaks it in two. Take a finer tool, or make it larger.`,
  'loop-zero': () => 'A loop of no turns never moves. Write more than nought, such as 1 turn or 90 degrees.',
  'loop-unreadable': d =>
    `${reading(d)} is not a stretch to loop over. Write one such as 1 turn, 2.5 turns or 90 degrees.`,
  'missing-dial': d => `“${d['owner']}” is read against a dial “${d['id']}” that is not in the file.`,
  'missing-material': d => `“${d['owner']}” is made of a material “${d['id']}” that is not in the file.`,
  'missing-mode': d => `“${d['owner']}” stands in a mode “${d['id']}” that is not in the file.`,
  'blanks-still': () =>
    'An output is to stand still; counts are found for rates other than nought. Use equal counts over an idler on its arm.',
  'blanks-none': () => 'No count is open: leave one or more open on the drawing, each with a range.',
  'blanks-no-aim': () =>
    'No output hangs on the open counts: let an arbor of the train serve an output, then fill the blanks towards it.',
  'blanks-no-bearing': () =>
    'The open counts do not change the rate of this output: leave a wheel open on its way from the drive.',
  'blanks-sums': () =>
    'The sums that meshes between the same lines ask contradict each other with the counts that are given. Leave one more of them open.',
  'blanks-sense': () =>
    'With these meshes the output turns the wrong way for any counts: insert an idler first, or let its sense be either.',
  'blanks-too-many': d =>
    `There are about ${Number(d['trials']).toExponential(1)} ways; ${Number(d['most']).toExponential(0)} can be weighed. Narrow the ranges, or type one of the counts.`,
  'blanks-nothing': () =>
    'No counts within the ranges keep the sums and go together. Widen a range or leave another count open.',
  'pairs-empty': () => 'Type pairs of counts, such as 20:60, 15:45.',
  'pairs-unreadable': d =>
    `“${d['part']}” is no pair of counts. Type driving and driven count, such as 20:60.`,
  'pairs-count': d => `${d['count']} teeth: type counts from ${d['least']} to ${d['most']}.`,
  'pairs-sums': d =>
    `${d['a']} sums to ${d['sum']}, ${d['b']} to ${d['other']}: meshes between the same two lines need equal sums at one module. Change a count by the difference.`,
  'pairs-odd': d => `${d['count']} pairs: every output needs two, out to the rod and back.`,
  'pairs-one': d => `One pair of counts is asked here, such as 20:60; ${d['count']} are typed.`,
  'pairs-two': d => `Two pairs of counts are asked here, such as 15:45, 12:48; ${d['count']} are typed.`,
  'motion-work-ratio': d =>
    `These counts give ${fixed(Number(d['ratio']), 3)} : 1; minutes to hours is 12 : 1, such as 15:45, 12:48 or 10:30, 8:32.`,
  'ready-no-drive': () => 'The machine has no drive yet: name the arbor that is turned.',
  'two-ring-still': d =>
    `Both planet wheels have ${d['planet']} teeth: the second ring would stand still. Give the second wheel another count.`,
  'hand-gone': () => 'What you chose is no longer there.',
  'hand-needs-arbor': d => `“${d['name']}” does not stand on an arbor, so it cannot drive a new one.`,
  'hand-count': d => `${d['count']} teeth cannot be: type a whole number from 1 up.`,
  'hand-ring-count': d =>
    `A ring of ${d['count']} cannot hold a wheel of ${d['own']}: give the ring more teeth than the wheel.`,
  'hand-no-toothing': () => 'The machine has no teeth yet: choose a size at Teeth first.',
  'hand-one-axis': d =>
    `“${d['a']}” and “${d['b']}” would stand on one line, where they cannot mesh. Leave one on an axis of its own, or take their mesh away first.`,
  'hand-meshes-already': d => `“${d['a']}” and “${d['b']}” mesh already.`,
  'hand-same-axis': d => `“${d['a']}” and “${d['b']}” share an axis already.`,
  'hand-hangs-already': d => `“${d['name']}” hangs on ${d['arm']} already.`,
  'hand-arm-circle': d =>
    `“${d['name']}” carries “${d['arm']}”, so it cannot hang on it: an arm cannot carry itself. Choose an arm that stands on the ground, or hang “${d['arm']}” elsewhere first.`,
  'hand-one-arbor': d => `“${d['name']}” is one arbor already: its wheels turn as one.`,
  'hand-two-frames': d =>
    `“${d['a']}” and “${d['b']}” hang on different arms. Hang both on one first, then key them together.`,
  'hand-hold-drive': d =>
    `“${d['name']}” drives the machine and cannot be held. Let another arbor drive first.`,
  'hand-no-stage': () => 'Choose at least one stage.',
  'hand-shared-wheel': d =>
    `“${d['name']}” meshes with another wheel too, whose ratio would change. Give this stage a wheel of its own first.`,
  'hand-idler-external': d =>
    `An idler goes between two wheels that mesh side by side; this mesh is ${d['type']}. Insert it into another mesh of the train.`,
  'hand-one-way': d =>
    `A mesh of this kind (${d['type']}) can stand in one way only. Insert an idler to turn its sense.`,
  'missing-frame': d =>
    `“${d['owner']}” rests in a frame “${d['id']}” that is neither the ground nor an arbor.`,
  'axis-on-itself': d =>
    `The axis “${d['id']}” hangs on itself in a circle. One of the axes must be given its own place.`,
  'size-needs-count': d =>
    `“${d['toothing']}” is sized by a wheel whose count is open. Give it a count, or size by module.`,
  'size-impossible': d =>
    `“${d['toothing']}” cannot have that diameter at that count: take more teeth or less negative shift.`,
  'size-not-for-form': d =>
    `“${d['toothing']}” is no involute form, and is sized by module, pitch or centre distance.`,
  'teeth-not-drawn': d => `The teeth of “${d['wheel']}” are of a kind that is not drawn yet.`,
  'date-out-of-range': d =>
    `The year ${d['year']} is too far away to be reckoned. Write one from ${d['first']} to ${d['last']}.`,
  'date-no-day': d =>
    `“${d['text']}” is no day of the calendar${Number(d['days']) > 0 ? `: that month has ${d['days']}` : ''}. Write one such as 2026-02-28.`,
  'date-no-time': d => `“${d['text']}” has no time of day. Write hours and minutes, such as 06:30.`,
  'date-needs-clock': () =>
    'The drive has no period, so no date belongs to its turns. Give it one at Aims, or let outputs with periods tell it.',
  'date-needs-start': () => 'Say first at which date the machine stands at nought turns.',
  'pose-name': () => 'Give the pose a name.',
  'pose-number': d => `${d['text']} is no number of turns. Write one such as 12.5.`,
  'date-unreadable': d => `${reading(d)} is not a date. Write one such as 2026-01-01 or 2026-01-01 06:30.`,
  'tolerance-zero': () => 'No train is without any drift for ever. Allow more than 0 degrees.',
  'place-needs': d =>
    ({
      mesh: 'It meshes with nothing, so no mesh can place it. Join one of its wheels first.',
      between: 'It meshes with fewer than two other axes. Place it by one mesh, or join it to another.',
      line: 'It needs a mesh, and another axis for the line to run through.',
      mirror: 'It needs two other axes: one to be mirrored, and one through which the mirror stands.',
      coaxial: 'There is no other axis that it could share a line with.',
      polar: 'There is no other axis to measure from.',
    })[String(d['kind'])] ?? 'It cannot be placed so. Give it coordinates.',
  'layers-not-found': d =>
    `No order of layers was found as the axes stand: “${d['name']}” strikes an arbor or another wheel wherever it lies. Swing the axis that is in its way, or fold the train.`,
  'fold-room-too-small': d =>
    `“${d['name']}” is ${fixed(Number(d['needs']), 1)} mm across and the envelope only ${fixed(Number(d['room']), 1)} mm. Take a larger envelope, a smaller module or fewer teeth.`,
  'fold-nothing-free': () =>
    'No axis is free to swing: all are given or locked. Unlock one, or place one by its mesh.',
  'fold-covered': d =>
    `“${d['wheel']}” reaches over the arbor of “${d['arbor']}” however it is folded, so that arbor cannot stand in both plates. Hold it on one side only, or take a smaller wheel.`,
  'fold-none': d =>
    `${d['kinds']} arrangements were tried and none keeps clear in this envelope. Take a larger envelope, unlock axes, allow more height, or want less clearance.`,
  'outline-unreadable': d =>
    `This ${d['format']} file cannot be read: ${d['what']}. Save it again as ${d['format']} and try that.`,
  'outline-none': d =>
    `There is no closed border in this file${Number(d['open']) > 0 ? `; ${d['open']} open ${Number(d['open']) === 1 ? 'line stands' : 'lines stand'} in it` : ''}. Draw the border as one closed line.`,
  'outline-open': d =>
    `The border is open: its ends at ${d['from']} and ${d['to']} lie ${fixed(Number(d['gap']), 3)} mm apart. Join them in the drawing, or let them be joined here.`,
  'outline-doubled': d =>
    `${d['count']} ${Number(d['count']) === 1 ? 'line is' : 'lines are'} drawn twice, near ${d['at']}. Take the doubles away in the drawing, or let them be dropped here.`,
  'outline-units': d =>
    `The file does not say its units: its border measures ${d['width']} by ${d['height']}. Choose millimetres or inches.`,
  'outline-crosses': () => 'The border crosses itself. Draw it as one line that does not.',
  'outline-too-fine': d =>
    `The border has ${d['points']} corners; at most ${d['most']} are read. Simplify it in the drawing.`,
  'no-plates': () => 'The machine has no plates yet. Add them at Plan first.',
  'no-envelope': () => 'There is no envelope yet. Give one at Plan first.',
  'nothing-to-draw': () => 'There is no wheel to draw yet. Choose a train for an aim first.',
};

/** A problem as a sentence for the maker. */
export function sayProblem(problem: Problem): string {
  const sentence = SENTENCES[problem.code] ?? TOOTH_SENTENCES[problem.code];
  if (!sentence) throw new Error(`sayProblem: no words for ${problem.code}`);
  return sentence(problem.data);
}
