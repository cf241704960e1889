import { figure, fixed, mm } from '../../ground/units/index.ts';
import type { Sentences } from './sentences.ts';

/** Why a change of the arrangement or the layout cannot be made, and what would work. */
export const ARRANGING_SENTENCES = {
  'planetary-sum': d =>
    `Sun ${d.sun} and planets of ${d.planet} need a ring of ${d.needs}, not ` +
    `${d.ring}: ring = sun + 2 · planet.`,
  'planetary-odd': d =>
    `Between sun ${d.sun} and ring ${d.ring} no whole planet fits: their difference must be even.`,
  'planetary-two-counts': () => 'Give two of sun, planet and ring; the third follows.',
  'planetary-too-small': d =>
    `One wheel would have ${d.least} teeth; none may have fewer than ${d.smallest}. Choose other counts.`,
  'planetary-none': d =>
    `None of ${d.tried} sets will do: ` +
    [
      d.tooLarge > 0 ? `${d.tooLarge} are larger than the outside allowed` : '',
      d.unequal > 0 ? `in ${d.unequal} the planets cannot stand at equal distances` : '',
      d.close > 0 ? `in ${d.close} neighbours come too near each other` : '',
    ]
      .filter(t => t !== '')
      .join(', ') +
    '. Allow a larger outside, a smaller module or another number of planets.',
  'places-unreadable': d => `“${d.part}” is no angle. Type degrees up to 360, such as 0, 90, 180.`,
  'planets-overlap': d =>
    `${d.planets} planets of ${d.planet} teeth overlap; ${d.fit} fit at equal distances. ` +
    'Take fewer, or fewer teeth on each planet.',
  'set-gone': () => 'This set is not there any more.',
  'set-no-room': d =>
    `Planets of ${d.planet} teeth have no room in a ring of ${d.ring}: it needs more teeth than they have. ` +
    'Take fewer teeth on the planets.',
  'set-not-whole': d =>
    `The set of ${d.name || 'this wheel'} cannot be changed as one: ` +
    'a count is open, or its wheels do not share one toothing of the involute form. Mend that, or let the set go.',
  'set-one-stage': d => `${d.name} has one stage only; delete the set instead.`,
  'set-outside-out-of-reach': d =>
    `An outside of ${fixed(d.outside, 1)} mm would need teeth that are not of module ${d.least} to ${d.most} mm. ` +
    'Choose another outside, or other counts.',
  'set-shift-too-large': d =>
    `Sun ${d.sun}, planets of ${d.planet} and ring ${d.ring} would need a shift of ${fixed(d.shift, 2)} modules; ` +
    `−1 to 1.5 can be cut. A ring of ${d.sun + 2 * d.planet} needs none.`,
  'set-too-many-teeth': d => `A wheel would have ${d.is} teeth; ${d.most} is the most.`,
  'set-too-many-stages': d => `A set has at most ${d.most} stages.`,
  'set-none-found': () =>
    'No loose planetary set is there: it needs a sun, planets on an arm that mesh with it, and a ring round them.',
  'planets-out-of-range': d => `A set has from 1 to ${d.most} planets, not ${d.planets}.`,
  'planetary-same-member': () => 'The member that is held cannot drive. Choose another.',
  'blanks-still': () =>
    'An output is to stand still; counts are found for rates other than nought. Use equal ' +
    'counts over an idler on its arm.',
  'blanks-none-allowed': d =>
    `Nothing is left for ${d.wheel}: no count of its range is in stock and allowed. Widen its range, or the stock.`,
  'blanks-none': () => 'No count is open: leave one or more open on the drawing, each with a range.',
  'blanks-no-aim': () =>
    'No output hangs on the open counts: let an arbor of the train serve an output, then fill the blanks towards it.',
  'blanks-no-bearing': () =>
    'The open counts do not change the rate of this output: leave a wheel open on its way from the drive.',
  'blanks-sums': () =>
    'The sums that meshes between the same lines ask contradict each other with the counts ' +
    'that are given. Leave one more of them open.',
  'blanks-sense': () =>
    'With these meshes the output turns the wrong way for any counts: insert an idler first, ' +
    'or let its sense be either.',
  'blanks-too-many': d =>
    `There are about ${d.trials.toExponential(1)} ways; ` +
    `${d.most.toExponential(0)} can be weighed. Narrow the ranges, or type one of ` +
    'the counts.',
  'blanks-nothing': () =>
    'No counts within the ranges keep the sums and go together. Widen a range or leave another count open.',
  'pairs-empty': () => 'Type pairs of counts, such as 20:60, 15:45.',
  'pairs-unreadable': d => `“${d.part}” is no pair of counts. Type driving and driven count, such as 20:60.`,
  'pairs-count': d => `${d.count} teeth: type counts from ${d.least} to ${d.most}.`,
  'pairs-sums': d =>
    `${d.a} sums to ${d.sum}, ${d.b} to ${d.other}: meshes between the same two ` +
    'lines need equal sums at one module. Change a count by the difference.',
  'pairs-odd': d => `${d.count} pairs: every output needs two, out to the rod and back.`,
  'pairs-one': d => `One pair of counts is asked here, such as 20:60; ${d.count} are typed.`,
  'pairs-two': d => `Two pairs of counts are asked here, such as 15:45, 12:48; ${d.count} are typed.`,
  'reducer-counts': d =>
    `A disc of ${d.lobes} lobes does not go into a ring of ${d.pins} pins: take fewer lobes than pins, usually one.`,
  'reducer-no-room': d =>
    `Between bore and lobes of a disc of ${d.lobes} in ${d.pins} there is no room for output holes: ` +
    (d.module > 0
      ? `a module of ${mm(d.module, 2)} or more makes it, or more pins.`
      : 'take more pins, or a smaller difference.'),
  'set-search-not-whole': () =>
    'Other counts are searched for a stage of which one member is held, one drives and one is driven; here it is ' +
    'not so. Hold one of sun, ring or arm.',
  'reducer-not-whole': () =>
    'This reducer cannot be changed as one: its disc, its ring or a count of them is missing.',
  'reducer-outside-out-of-reach': d =>
    `${mm(d.outside, 1)} outside cannot be: with these counts it comes to ${mm(d.least, 1)} to ${mm(d.most, 1)}.`,
  'reducer-ring-turns': () =>
    'Two discs in a turning ring of half-round pins would need two rings joined: take pins that stand in a plate, ' +
    'or one disc.',
  'motion-work-ratio': d =>
    `These counts give ${fixed(d.ratio, 3)} : 1; minutes to hours is 12 : 1, such ` +
    'as 15:45, 12:48 or 10:30, 8:32.',
  'ready-no-drive': () => 'The machine has no drive yet: name the arbor that is turned.',
  'two-ring-still': d =>
    `Both planet wheels have ${d.planet} teeth: the second ring would stand still. Give ` +
    'the second wheel another count.',
  'hand-gone': () => 'What you chose is no longer there.',
  'curve-no-width': () =>
    'The drawn line has no width: its width is the turn of the cam. Draw it from left to right.',
  'curve-too-high': d =>
    `The drawn line is ${figure(d.lift, 4)} high; a lift may be ${d.most} at most. Draw it smaller.`,
  'curve-turns-back': d =>
    `The drawn line turns back at ${figure(d.at, 4)}: there it has two lifts at one angle. Draw it so that it only ` +
    'goes on to one side.',
  'table-line': d =>
    `Line ${d.line} reads “${d.text}”: write an angle in degrees and a lift, such as 90, 12.5.`,
  'table-angle': d => `Line ${d.line} has the angle ${figure(d.deg, 6)}°: write one from 0° to 360°.`,
  'table-lift': d =>
    `Line ${d.line} has the lift ${figure(d.lift, 6)}: write one from ${d.least} to ${d.most}.`,
  'table-short': d => `A motion needs two points or more; the table has ${d.points}.`,
  'table-long': d => `The table has ${d.points} points; a motion may have ${d.most}. Leave some out.`,
  'linkage-points': d =>
    `A path needs ${d.least} to ${d.most} points; there ${d.given === 1 ? 'is' : 'are'} ${d.given}.`,
  'linkage-one-place': () => 'All points of the path are in one place. Give points that lie apart.',
  'linkage-angles': d =>
    `An arm can be led to ${d.least} to ${d.most} places; there ${d.given === 1 ? 'is' : 'are'} ${d.given}.`,
  'linkage-angles-order': d =>
    `The turns of the crank have to rise from place to place; ${d.crankDeg}° does not come after ` +
    'the one before it.',
  'linkage-none-found': () =>
    'No linkage was found that moves so, goes round and fits. ' +
    'Ask for a smaller transmission angle, more room, or a simpler motion.',
  'linkage-unread': d => `Line ${d.line}, “${d.text}”, is not two numbers up to 5000 such as 40, 12.5.`,
  'hand-cam-too-near': d =>
    `${d.b} stands ${mm(d.apart, 2)} from ${d.a}, within the cam’s ${mm(d.radius, 2)}: take a smaller radius.`,
  'hand-needs-arbor': d => `“${d.name}” does not stand on an arbor, so it cannot drive a new one.`,
  'hand-count': d => `${d.count} teeth cannot be: type a whole number from 1 up.`,
  'hand-ring-count': d =>
    `A ring of ${d.count} cannot hold a wheel of ${d.own}: give the ring more teeth than the wheel.`,
  'hand-no-toothing': () => 'The machine has no teeth yet: choose a size at Teeth first.',
  'hand-one-member': d => `${d.name} cannot be joined to itself. Choose another member.`,
  'hand-needs-second': d => `${d.kind} ties two that are there: choose what it leads to.`,
  'row-not-of': d =>
    `A ${d.kind} cannot be made a row of: choose a crank, a cam, a cord, a rod to an arm or a slot.`,
  'hand-one-axis': d =>
    `“${d.a}” and “${d.b}” would stand on one line, where they cannot mesh. Leave one ` +
    'on an axis of its own, or take their mesh away first.',
  'hand-meshes-already': d => `“${d.a}” and “${d.b}” mesh already.`,
  'hand-same-axis': d => `“${d.a}” and “${d.b}” share an axis already.`,
  'hand-hangs-already': d => `“${d.name}” hangs on ${d.arm} already.`,
  'hand-arm-circle': d =>
    `“${d.name}” carries “${d.arm}”, so it cannot hang on it: an arm cannot carry ` +
    `itself. Choose an arm that stands on the ground, or hang “${d.arm}” elsewhere first.`,
  'hand-one-arbor': d => `“${d.name}” is one arbor already: its wheels turn as one.`,
  'hand-two-frames': d =>
    `“${d.a}” and “${d.b}” hang on different arms. Hang both on one first, then key them together.`,
  'hand-hold-drive': d => `“${d.name}” drives the machine and cannot be held. Let another arbor drive first.`,
  'hand-no-stage': () => 'Choose at least one stage.',
  'hand-shared-wheel': d =>
    `“${d.name}” meshes with another wheel too, whose ratio would change. Give this stage a wheel of its own first.`,
  'hand-idler-external': d =>
    `An idler goes between two wheels that mesh side by side; this mesh is ${d.type}. ` +
    'Insert it into another mesh of the train.',
  'hand-one-way': d =>
    `A mesh of this kind (${d.type}) can stand in one way only. Insert an idler to turn its sense.`,
  'pose-name': () => 'Give the pose a name.',
  'place-needs': d =>
    ({
      mesh: 'It meshes with nothing, so no mesh can place it. Join one of its wheels first.',
      between: 'It meshes with fewer than two other axes. Place it by one mesh, or join it to another.',
      line: 'It needs a mesh, and another axis for the line to run through.',
      mirror: 'It needs two other axes: one to be mirrored, and one through which the mirror stands.',
      coaxial: 'There is no other axis that it could share a line with.',
      polar: 'There is no other axis to measure from.',
    })[d.kind] ?? 'It cannot be placed so. Give it coordinates.',
  'layers-not-found': d =>
    `No order of layers was found as the axes stand; not every one was tried. “${d.name}” found no place: it ` +
    'struck an arbor or another wheel. Set its layer by hand, swing the axis that is in its way, or fold the train.',
  'fold-room-too-small': d =>
    `“${d.name}” is ${fixed(d.needs, 1)} mm across and the envelope only ` +
    `${fixed(d.room, 1)} mm. Take a larger envelope, a smaller module or fewer ` +
    'teeth.',
  'fold-nothing-free': () =>
    'No axis is free to swing: all are given or locked. Unlock one, or place one by its mesh.',
  'fold-covered': d =>
    `“${d.wheel}” reaches over the arbor of “${d.arbor}” however it is folded, so that ` +
    'arbor cannot stand in both plates. Hold it on one side only, or take a smaller wheel.',
  'fold-none': d =>
    `${d.kinds} arrangements were tried and none keeps clear in this envelope. Take a ` +
    'larger envelope, unlock axes, allow more height, or want less clearance.',
} satisfies Partial<Sentences>;
