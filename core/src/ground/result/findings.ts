import type { Count, Degrees, Layer, Mm, Modules, Part, Pitches, Radians, Rpm, Turns } from './measures.ts';
import type { Problem } from './result.ts';

/** A finding that says all by its subjects. */
type Nothing = Readonly<Record<string, never>>;

/**
 * Every judgement there is, and what it carries: a finding cannot be raised, worded or read otherwise. Ordered by the
 * room that judges.
 */
export interface Findings {
  // derive
  'aim-frame-not-solved': Nothing;
  /** In degrees, seconds or metres, by what the tolerance is stated in. */
  'aim-missed': { over: string; in: 'angle' | 'time' | 'way'; drift: number; limit: number };
  'aim-on-arm': Nothing;
  'aim-in-other-mode': { mode: string };
  'aim-on-drive': Nothing;
  'aim-unreadable': { problem: Problem };
  'aim-without-rate': Nothing;
  'aim-without-train': Nothing;
  /** How far two bodies overlap where they pass. */
  'bodies-meet': { overlap: Mm };
  'bore-on-round': { bore: string };
  'crank-no-seat': Nothing;
  'held-by-nothing': { what: 'ring' | 'arbor' };
  'lugs-meet': { is: Count; most: Count };
  'lugs-in-teeth': Nothing;
  /** `count`: of teeth outside that leaves enough. */
  'rim-between-teeth': { is: Mm; least: Mm; count: Count };
  /** Moments about the axis; `known`: by densities, or else as if all were alike. */
  'out-of-balance': { out: number; weight: number; known: boolean };
  'arm-not-bent': { lift: Mm };
  'shown-strikes': { overlap: Mm; moving: boolean };
  'split-uneven': { pieces: Count; count: Count };
  'split-no-joint': { width: Mm };
  'split-through-bore': Nothing;
  'bearing-bore': { name: string; bore: Mm; arbor: Mm };
  'bearing-in-slot': Nothing;
  'bearing-unused': { name: string };
  'split-not-flat': Nothing;
  'bolts-at-edge': { circle: Mm; least: Mm; most: Mm };
  'bolts-meet': { number: Count; most: Count };
  'bolts-in-opening': Nothing;
  'dial-floats': { plated: boolean };
  'dial-glued-off': { gap: Mm };
  'dial-screw-off': { circle: Mm; most: Mm };
  'dial-screw-short': { screw: string; needs: Mm };
  'column-too-short': { height: Mm; out: Mm };
  'column-strikes': { gap: Mm; least: Mm };
  /** How far it leans before it falls, degrees; `least` across the base. */
  'base-tips': { lean: number; least: Mm };
  'feet-too-short': { height: Mm; out: Mm };
  'feet-too-thin': { across: Mm; least: Mm };
  'feet-tip': { feet: Count };
  'feet-without-pillars': Nothing;
  'lies-across': Nothing;
  'bracket-low': { height: Mm; least: Mm };
  /** Its second subject is a wheel or the front plate. */
  'bracket-strikes': Nothing;
  'plank-too-thin': { deep: Mm; out: Mm; least: Mm };
  'bore-not-for-section': { section: 'hex' | 'square' | 'flat' | 'keyed' };
  'ring-off-arbor': Nothing;
  'no-body': Nothing;
  'one-piece-not-cut': { process: string };
  'one-piece-through-plate': { name: string; side: string };
  /** Its subjects are what is held still. */
  'stands-in-nothing': Nothing;
  /** A wheel with teeth on a part of its rim only. */
  'sector-as-full': { of: Count; has: Count };
  'wrong-member': { is: string; needs: string };
  'bore-fault': { fault: 'key-too-wide' | 'flat-off-the-round' };
  'bore-through-root': { bore: Mm; root: Mm };
  'corner-too-sharp': { left: Mm; cutter: Mm };
  'crossed-needs-helix': Nothing;
  'disc-wall': { wall: Mm; least: Mm; to: string };
  'face-wide': { width: Mm; most: Mm; cone: Mm };
  'few-pins': { count: Count; least: Count };
  'fillet-too-large': { fillet: Modules; largest: Modules };
  'gap-too-fine': { is: Mm; least: Mm; process: string };
  'hands-wrong': { wanted: string };
  /** What stands between two teeth that are printed in mesh, on each side, and what the printer keeps apart. */
  'in-place-fuses': { is: Mm; least: Mm; where: 'flanks' | 'tips' };
  'hub-not-here': Nothing;
  'hub-strikes': { height: Mm; room: Mm };
  'hub-too-low': { height: Mm; least: Mm; screw: string };
  'hub-too-narrow': { across: Mm; least: Mm };
  'screw-wants-hub': { screw: string; thick: Mm; least: Mm };
  'iron-pieces': { pieces: Count };
  'lantern-needs-pins': Nothing;
  'layers-differ': { a: Layer; b: Layer };
  'pins-not-behind': { plate: Layer; disc: Layer };
  'limit-missed': { limit: 'least' | 'most'; wanted: Turns; achieved: Turns };
  'little-contact': { is: Pitches; least: Pitches };
  'magnets-slip': Nothing;
  'magnet-not-sold': Nothing;
  'needs-mate': { kind: string };
  /** `lacks`: what is not worked out yet, in words. */
  'not-worked-out': { kind: string; lacks: string };
  'no-module': { problem: Problem };
  'no-play': { play: Mm };
  'part-too-high': { is: Mm; most: Mm };
  'part-too-large': { is: Mm; by: Mm; width: Mm; height: Mm; place: string };
  'pegs-fail': {
    fault: 'binds' | 'jams' | 'lets go';
    /** Where pegs meet at all. */
    play?: Mm;
    binding: Radians;
    friction: Radians;
    leaning: Radians;
  };
  'pinion-drives': Nothing;
  'pins-drive': Nothing;
  'pointed-tip': Nothing;
  'ring-involute': { by: Mm };
  'ring-radial': Nothing;
  'ring-trochoid': { count: Count; ring: Count };
  'slack-exceeds': { total: Degrees; limit: Degrees; most: Degrees };
  'stock-thickness': { is: Mm; drawn: Mm; material: string };
  'teeth-impossible': { problem: Problem };
  'teeth-not-drawn': { kind: string };
  'thin-rim': { rim: Mm; least: Mm };
  'thin-spokes': { width: Mm; least: Mm };
  'thin-tip': { tip: Mm; least: Mm };
  'thin-wall': { wall: Mm; least: Mm };
  thrust: { share: Part; sense: Part };
  'tolerance-needs-period': Nothing;
  'too-fast-for-hand': { rpm: Rpm; most: Rpm };
  'tooth-too-fine': { is: Mm; least: Mm; process: string };
  'toothings-differ': Nothing;
  'two-mates': { first: Count; other: Count };
  undercut: { count: Count; limit: Count };
  'wall-too-fine': { what: string; is: Mm; least: Mm; process: string };
  'web-impossible': { problem: Problem };
  'wheel-drives': Nothing;
  'wheel-meshes-itself': Nothing;
  'wrong-sense': Nothing;
  // indicator
  'divisions-crowded': { ring: Count; pitch: Mm; least: Mm };
  'hand-backwards': { sense: string };
  'hand-beyond-dial': { hand: Mm; dial: Mm };
  'hand-off-dial': Nothing;
  'hand-stands': Nothing;
  'moon-never-full': { radius: Mm; most: Mm };
  'numerals-crowded': { ring: Count; widest: Mm; room: Mm; fits: Mm };
  'numerals-off-dial': { ring: Count; reach: Mm; radius: Mm };
  'ring-off-dial': { ring: Count; reach: Mm; radius: Mm };
  'window-inside-out': { inner: Mm; outer: Mm };
  'window-off-dial': { reach: Mm; radius: Mm };
  // layout
  'arbors-strike': { overlap: Mm; moving: boolean };
  'arm-strikes': { overlap: Mm; moving: boolean };
  'arm-through-plate': { plate: string };
  'axis-not-placed': Nothing;
  'idler-too-small': { is: number; needs: number };
  'bore-not-for-tube': { bore: Mm; tube: Mm };
  /** Two wheels in crossing planes that share room. */
  'cuts-through': Nothing;
  'centres-disagree': { is: Mm; needs: Mm; sum?: Count; now?: Count };
  'envelope-too-small': { needs: Mm; room: Mm };
  'held-one-side': { type: string; side: string };
  'hole-at-edge': { edge: Mm; least: Mm; plate: string };
  'holes-meet': { bridge: Mm; least: Mm; plate: string };
  'in-keep-out': { overlap: Mm; moving: boolean };
  'mesh-wants-setting': { more: Mm };
  'nothing-holds': { fit: string };
  'outside-envelope': { overlap: Mm; moving: boolean };
  'phase-clash': { teeth: Part };
  'pillar-strikes': { overlap: Mm; moving: boolean };
  'planets-misfit': { places: Count; planets: Count; fits: string; counts: string };
  'planets-touch': { planets: Count; overlap: Mm };
  /** Its second subject is the rod within; none where that is one that stands still. */
  'rod-round-rod': { inner: Mm; standing: boolean };
  'runs-close': { gap: Mm; least: Mm };
  'thin-tube': { wall: Mm; least: Mm };
  'too-high': { is: Mm; most: Mm };
  'tube-binds': { bore: Mm; inner: Mm; least: Mm };
  'tubes-cannot-nest': Nothing;
  'wheel-strikes-arbor': { overlap: Mm; moving: boolean };
  'wheels-in-one-place': { overlap: Mm; moving: boolean };
  'wheels-strike': { overlap: Mm; moving: boolean };
  // mesh
  'contact-broken': { is: Pitches };
  'outlines-overlap': { overlap: Mm; play: Mm };
  'rolls-unevenly': { error: Mm; chord: Mm };
  'rolls-without-meeting': Nothing;
  shock: { jump: Part };
  // train
  contradiction: { asked?: string; given?: string };
  'count-open': Nothing;
  'frames-differ': Nothing;
  'held-not-solved': Nothing;
  locked: { asked: string; given: string };
  'meshes-itself': Nothing;
  'no-drive': Nothing;
  'not-driven': Nothing;
  'rack-needs-slide': Nothing;
  'ratchet-clicks': Nothing;
  'ratchet-locks': Nothing;
  'second-freedom': { members: Count };
  slips: Nothing;
  'uneven-loop': Nothing;
  /** Its subjects are the rod and the joint. */
  'rod-too-short': { is: Mm; least: Mm };
  /** Degrees of the drive at which it first opens, and the part of the course for which it is open. */
  'loop-open': { at: Degrees; part: Part };
  'slot-goes-round': { apart: Mm; radius: Mm };
  'slot-swings': { apart: Mm; radius: Mm };
  'transmission-low': { least: Degrees; wanted: Degrees };
  'joints-wait': Nothing;
  /** A cord, or one of its drum. */
  /** Turns of the drive at which they come nearest. */
  'linkage-strikes': { overlap: Mm; at: Turns };
  'cord-too-short': { is: Mm; least: Mm };
  'cord-only-draws': Nothing;
  /** How far its line lies from the drum's rim. */
  'cord-aslant': { aside: Mm; rim: Mm };
  /** Its subjects are the slide and the mesh. Turns of the pinion from rest, and mm for one of them. */
  'rack-runs-off': { whole: Turns; forwards: Turns; backwards: Turns; turn: Mm };
  /** A pin's subjects are the wheel and the joint. */
  'pin-outside-wheel': { out: Mm; most: Mm };
  'pin-in-hub': { out: Mm; least: Mm };
  'pin-on-other': Nothing;
  'slot-reaches-arbor': { near: Mm; least: Mm };
  /** An arbor without an arm, or on the cam's own axis. */
  'cam-no-follower': Nothing;
  'cam-no-reach': { radius: Mm };
  'cam-through-axis': { nearest: Mm };
  'cam-folds': { at: Degrees };
  /** How far the follower is from its motion at worst. */
  'cam-undercut': { roller: Mm; bulge: Mm; at: Degrees; misses: Mm };
  'cam-hollow': { roller: Mm; hollow: Mm };
  'cam-presses': { is: Degrees; at: Degrees; most: Degrees };
  'cam-leaves': { is: Rpm; most: Rpm };
}

export type FindingCode = keyof Findings;
