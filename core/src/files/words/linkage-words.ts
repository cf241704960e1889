import type { Wordings } from './finding-words.ts';
import { figure, mm } from '../../ground/units/index.ts';

/** Judgements of rods, slides and cams. */
export const LINKAGE_WORDS = {
  'rod-too-short': s => ({
    title: `${s.name()} is too short`,
    why:
      `It is ${mm(s.data.is, 2)} long and must be longer than ${mm(s.data.least, 2)}: the crank and how far the ` +
      'slide’s line lies beside its axis. It would lock before it has gone round.',
  }),
  'loop-open': s => ({
    title: `${s.name()} cannot close all the way round`,
    why:
      `From ${figure(s.data.at, 3)}° of the drive on its rods do not reach each other: for ` +
      `${figure(100 * s.data.part, 2)} % of its course. There it locks, or goes over to its other side.`,
    advice: 'Make a rod longer, a crank shorter, or bring the axes closer.',
  }),
  'slot-goes-round': s => ({
    title: `${s.name()} goes round`,
    why:
      `The axes are ${mm(s.data.apart, 2)} apart and the pin runs ${mm(s.data.radius, 2)} from its own, so the ` +
      'slotted arm is carried all the way round; it is said to swing.',
  }),
  'slot-swings': s => ({
    title: `${s.name()} only swings`,
    why:
      `The axes are ${mm(s.data.apart, 2)} apart and the pin runs only ${mm(s.data.radius, 2)} from its own, so the ` +
      'slotted arm swings to and fro; it is said to go round.',
  }),
  'transmission-low': s => ({
    title: `${s.name()} presses sideways`,
    why:
      `The angle at which its rod presses falls to ${figure(s.data.least, 3)}°; below ${s.data.wanted}° most of the ` +
      'force goes into the bearings and it may bind.',
    advice: 'A longer rod or a shorter crank gives a better angle.',
  }),
  'joints-wait': s => ({
    title: `${s.name()}: not worked out`,
    why:
      'Where it stands hangs on a joint that in turn waits for it: such a loop is not worked out yet, and it is ' +
      'drawn as if one of them stood still.',
  }),
  'linkage-strikes': s => ({
    title: `${s.name(0)} strikes ${s.name(1)}`,
    why:
      `They lie in one layer and overlap by ${mm(s.data.overlap, 2)}, the most at ` +
      `${figure(s.data.at, 4)} turns of the drive.`,
    advice: 'Put a rod or an arm on another layer, make it narrower, or move an axis.',
  }),
  'cord-too-short': s => ({
    title: `${s.name()} is too short`,
    why:
      `It is ${mm(s.data.is, 2)} long; its pin comes so far from the eye that it must be longer than ` +
      `${mm(s.data.least, 2)}, or the slide is drawn into the eye.`,
  }),
  'cord-only-draws': s => ({
    title: `${s.name()} only draws`,
    why: 'A cord does not push: its slide’s own weight or a spring must draw it back and keep the cord tight.',
  }),
  'cord-aslant': s => ({
    title: `${s.name()} runs aslant`,
    why:
      `The slide’s line passes the drum’s axis at ${mm(s.data.aside, 2)}, its rim stands at ${mm(s.data.rim, 2)}. ` +
      'The cord then pulls sideways, and its way is not quite even, which is not reckoned with.',
  }),
  'rack-runs-off': s => ({
    title: `${s.name()} runs off`,
    why:
      `It moves ${mm(s.data.turn, 2)} for a turn of its pinion and is off it after ${figure(s.data.whole, 3)} turns ` +
      `from end to end: ${figure(s.data.forwards, 3)} forwards or ${figure(s.data.backwards, 3)} back from where it ` +
      'stands at rest. There it stays behind.',
    advice: 'Turn it back before that, or give it more teeth.',
  }),
  'pin-outside-wheel': s => ({
    title: `${s.name()}: the pin stands outside it`,
    why:
      `The pin stands ${mm(s.data.out, 2)} from the axis; on the face of this wheel, whole inside the roots of its ` +
      `teeth, there is room to ${mm(s.data.most, 2)}.`,
  }),
  'pin-in-hub': s => ({
    title: `${s.name()}: the pin stands in its hub`,
    why:
      `The pin stands ${mm(s.data.out, 2)} from the axis; bore and hub leave room from ` +
      `${mm(s.data.least, 2)} on.`,
  }),
  'pin-on-other': s => ({
    title: `${s.name()}: the pin turns with another arbor`,
    why: 'The wheel on whose face the pin is said to stand is on another arbor than the one that moves the pin.',
  }),
  'slot-reaches-arbor': s => ({
    title: `${s.name()}: the slot reaches the arbor`,
    why:
      `The pin comes to ${mm(s.data.near, 2)} from the arm’s axis, and the slot would run into the arm’s bore; ` +
      `it must stay ${mm(s.data.least, 2)} away.`,
    advice: 'Move the axes further apart, or make the crank shorter.',
  }),
  'cam-no-follower': s => ({
    title: `${s.name()} moves nothing`,
    why: 'Its follower is no slide, and no arbor beside the cam with an arm of a length.',
    advice: 'Give the arm a length, or take a slide.',
  }),
  'cam-no-reach': s => ({
    title: `${s.name()}: the follower does not reach`,
    why:
      `At no lift it should stand ${mm(s.data.radius, 2)} from the cam’s axis, and its line or its arm never comes ` +
      'to that distance.',
    advice: 'Change the radius, the line’s offset, or the length of the arm.',
  }),
  'cam-through-axis': s => ({
    title: `${s.name()}: nothing is left of the cam`,
    why: `At its least lift its rim would come to ${mm(s.data.nearest, 2)} from the axis, where the arbor is.`,
    advice: 'A larger radius at no lift leaves room for the arbor.',
  }),
  'cam-folds': s => ({
    title: `${s.name()}: no cam does this under a flat face`,
    why:
      `At ${figure(s.data.at, 3)}° the motion bends so sharply that the face would have to touch a hollow: the ` +
      'outline folds over itself.',
    advice: 'A larger radius, a gentler motion, or a roller.',
  }),
  'cam-undercut': s => ({
    title: `${s.name()}: the roller cuts away the tip`,
    why:
      `Its middle goes round the tip at ${figure(s.data.at, 3)}° with ${mm(s.data.bulge, 2)}, which is less than its ` +
      `own radius of ${mm(s.data.roller, 2)}. What remains lifts up to ${mm(s.data.misses, 2)} otherwise than wanted.`,
    advice: 'A smaller roller, a larger radius at no lift, or a gentler motion.',
  }),
  'cam-hollow': s => ({
    title: `${s.name()}: the roller does not fit the groove’s far wall`,
    why:
      `That wall is hollow with ${mm(s.data.hollow, 2)}, which is less than the roller’s radius of ` +
      `${mm(s.data.roller, 2)}.`,
    advice: 'A smaller roller, a larger radius at no lift, or a gentler motion.',
  }),
  'cam-presses': s => ({
    title: `${s.name()} presses sideways`,
    why:
      `Its pressure angle comes to ${figure(s.data.is, 3)}° at ${figure(s.data.at, 3)}° of its motion; above ` +
      `${s.data.most}° a follower is apt to bind in its guide.`,
    advice: 'A larger radius at no lift, more degrees for the rise, or less lift.',
  }),
  'cam-leaves': s => ({
    title: `${s.name()}: the follower may leave it`,
    why:
      `It turns ${figure(s.data.is, 3)} times a minute. From ${figure(s.data.most, 3)} on, what keeps the follower ` +
      'on it is too weak for its motion. A guess: without friction, bending or bounce.',
    advice: 'Turn slower, give it a stronger spring, a groove or a second cam.',
  }),
} satisfies Partial<Wordings>;
