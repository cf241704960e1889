import type { Fix, FixCode, Fixes } from '../../ground/result/index.ts';
import type { Arbor, Axis, InvoluteForm, Machine, Toothing, Wheel } from '../../document/machine/types.ts';
import { insertIdler } from './insert-idler.ts';
import { plateBehind } from './insert-layer.ts';
import { onOwnTeeth } from './own-toothing.ts';
import {
  holdMember,
  patch,
  setArbor,
  setAxis,
  setAxisPlace,
  setBody,
  setIndicator,
  setJoint,
  setLayout,
  setPlates,
  setProud,
  setRodLength,
  setSpread,
  setToothing,
  setWheel,
  type Edit,
} from './patch.ts';
import { USUAL_LUG_HOLE } from '../../document/machine/usual-rim.ts';
import { boreForArbor } from './shape-arbor.ts';
import { changePins } from './change-pins.ts';
import { lineOnRim } from './line-on-rim.ts';
import { shiftTogether } from './shift-together.ts';
import { setDriveWay } from './drive.ts';
import { GROUND } from '../../document/machine/ground.ts';
import { byId, recounted } from '../../document/machine/lookup.ts';
import { takeThickness } from './making.ts';
import { placeHangsOn } from '../../document/machine/place.ts';

/** A change that needs more than the document: layers are found from the layout. */
export type LaidFixCode = 'find-layers';

/** Fixes that are edits, by code. */
const EDITS: { readonly [C in Exclude<FixCode, LaidFixCode>]: (subject: string, value: Fixes[C]) => Edit } = {
  'set-shift': (id, value) => setWheel(id, { shift: value }),
  'shift-together': (id, value) => shiftTogether(id, value),
  'set-play': (id, value) => onOwnTeeth(id, own => setToothing(own, { play: value })),
  'set-bore': (id, value) => setWheel(id, { bore: { kind: 'round', diameter: value } }),
  'set-spread': (id, value) => setSpread(id, value),
  'set-fillet': (id, value) => setForm(id, { fillet: value }),
  'set-addendum': (id, value) => setForm(id, { addendum: value }),
  'body-out': (id, value) => setIndicator(id, { distance: value }),
  'reach-back': id => setArbor(id, { reach: 'back' }),
  'section-for-bore': sectionForBore,
  'set-shorten': (id, value) => setWheel(id, { shorten: value }),
  'set-pin': (id, value) => setFormOf(id, 'reducer', { pinDiameter: value }),
  'set-face-width': (id, value) => onOwnTeeth(id, own => setToothing(own, { faceWidth: value })),
  'form-pinion-drives': id => setFormOf(id, 'cycloidal', { drives: 'pinion' }),
  'form-wheel-drives': id => setFormOf(id, 'cycloidal', { drives: 'wheel' }),
  'hand-left': id => setWheel(id, { hand: 'left' }),
  'hand-right': id => setWheel(id, { hand: 'right' }),
  'set-rim': (id, value) => setBody(id, { rim: value }),
  'set-solid': id => setBody(id, { web: { kind: 'solid' } }),
  'set-teeth': (id, value) => patch('wheels', id, w => ({ ...w, teeth: recounted(w.teeth, value) })),
  'own-module': ownModule,
  'set-tube': (id, value) => setArbor(id, { section: { kind: 'tube', bore: value, diameter: value + 1 } }),
  'grow-envelope': (_, value) => machine => {
    const { envelope } = machine.layout;
    return envelope?.region.kind === 'circle'
      ? setLayout({ envelope: { ...envelope, region: { ...envelope.region, diameter: value } } })(machine)
      : machine;
  },
  'bore-for-arbor': id => boreForArbor(id),
  'take-bearing': (id, value) => setArbor(id, { bearing: value }),
  'no-bearing': id => setArbor(id, { bearing: undefined }),
  'set-plate-thickness': (_, value) => setPlates({ thickness: value }),
  'plates-round-holes': () => setPlates({ shape: 'round the holes' }),
  'set-weight-height': (id, value) => machine => {
    const body = byId(machine.indicators, id);
    return body?.kind === 'body' && body.weight
      ? setIndicator(id, { weight: { ...body.weight, height: value } })(machine)
      : machine;
  },
  'not-bent': id => setIndicator(id, { bent: undefined }),
  divide: (id, value) => machine =>
    setWheel(id, { divided: { by: 'dovetails', ...byId(machine.wheels, id)?.divided, pieces: value } })(
      machine,
    ),
  'not-divided': id => setWheel(id, { divided: undefined }),
  'glue-on': id => setWheel(id, { hold: 'glue' }),
  'press-on': id => setIndicator(id, { hold: undefined }),
  'screw-dial': (id, value) => setIndicator(id, { fixed: { by: 'screws', ...value } }),
  'glue-dial': id => setIndicator(id, { fixed: { by: 'glue' } }),
  'set-column-height': (_, value) => setBase(base => ({ column: { ...base.column, height: value } })),
  'set-base-across': (_, value) => setBase(() => ({ across: value })),
  'set-feet-height': (_, value) => setFeet({ height: value }),
  'set-feet-across': (_, value) => setFeet({ diameter: value }),
  'give-body': id => setArbor(id, { bodiless: undefined }),
  'give-hub': (id, value) => setProud(id, { side: 'front', height: value }),
  'no-hub': id => setProud(id, undefined),
  'set-bolt-circle': (id, value) => setBolts(id, { circle: value }),
  'set-bolts': (id, value) => setBolts(id, { number: value }),
  'no-bolts': id => setBody(id, { bolts: undefined }),
  'set-magnet': (id, value) => setFormOf(id, 'magnetic', { magnet: value }),
  'no-lugs': id => setWheel(id, { mount: undefined }),
  'set-hub-height': (id, value) => machine =>
    setProud(id, { side: byId(machine.wheels, id)?.body?.proud?.side ?? 'front', height: value })(machine),
  'set-hub-across': (id, value) => setBody(id, { hubDiameter: value }),
  'pins-behind': (id, value) => plateBehind(id, value),
  'give-lugs': (id, value) =>
    setWheel(id, { mount: { kind: 'lugs', number: 3, hole: USUAL_LUG_HOLE, circle: value } }),
  'give-wall': (id, value) => setWheel(id, { mount: { kind: 'wall', side: value } }),
  'support-both': id => setArbor(id, { support: 'both' }),
  'set-arm-layer': (id, value) => setArbor(id, { arm: { layer: value } }),
  'press-bore': id => machine => {
    const bore = byId(machine.wheels, id)?.bore;
    return bore && bore.kind !== 'none'
      ? setWheel(id, { bore: { ...bore, fit: 'press' } })(machine)
      : machine;
  },
  'slot-bearing': (joint, travel) => machine => {
    const axis = machine.axes.find(a => placeHangsOn(a.place).joints.includes(joint));
    return axis ? setAxis(axis.id, { slot: { joint, travel } })(machine) : machine;
  },
  'dial-other-way': id => machine => {
    const dial = byId(machine.indicators, id);
    if (dial?.kind !== 'dial') return machine;
    return setIndicator(id, {
      sense: dial.sense === 'clockwise' ? 'counter-clockwise' : 'clockwise',
    })(machine);
  },
  'drive-other-way': () => machine => setDriveWay(machine.drive?.turns !== 'clockwise')(machine),
  'hand-length': (id, value) => setIndicator(id, { radius: value }),
  'take-thickness': id => takeThickness(id),
  'insert-idler': (id, value) => insertIdler(id, value),
  'hold-member': id => holdMember(id, GROUND),
  'set-rod-length': (id, value) => setRodLength(id, value),
  'set-cam-radius': (id, value) => setJoint(id, 'cam', { radius: value }),
  'set-cord-length': (id, value) => setJoint(id, 'cord', { length: value }),
  'line-on-rim': lineOnRim,
  'set-pin-out': (id, value) =>
    changePins(id, pin => (pin.wheel === undefined ? pin : { ...pin, radius: value })),
  'pin-on-arm': id => changePins(id, ({ wheel: _, ...pin }) => pin),
  'goes-round': id => setJoint(id, 'slot', { round: true }),
  swings: id => setJoint(id, 'slot', { round: undefined }),
  'set-places': setPlaces,
  'swing-axis': (id, value) => machine => {
    const axis = byId(machine.axes, id);
    return axis?.place.kind === 'mesh'
      ? setAxisPlace(id, { ...axis.place, angleDeg: value })(machine)
      : machine;
  },
};

/** Changes the feet of the back plate, where there are any. */
const setFeet =
  (change: Partial<{ height: number; diameter: number }>): Edit =>
  machine => {
    const feet = machine.layout.plates?.feet;
    return feet ? setPlates({ feet: { ...feet, ...change } })(machine) : machine;
  };

/** Changes the bolt circle of a wheel, where it has one. */
const setBolts =
  (id: string, change: Partial<{ number: number; circle: number }>): Edit =>
  machine => {
    const bolts = byId(machine.wheels, id)?.body?.bolts;
    return bolts ? setBody(id, { bolts: { ...bolts, ...change } })(machine) : machine;
  };

type Base = NonNullable<NonNullable<Machine['layout']['plates']>['base']>;

/** Changes the board on which it stands, where there is one. */
const setBase =
  (change: (base: Base) => Partial<Base>): Edit =>
  machine => {
    const base = machine.layout.plates?.base;
    return base ? setPlates({ base: { ...base, ...change(base) } })(machine) : machine;
  };

/** Gives the arbor of a wheel the section over which its bore goes. */
function sectionForBore(wheel: string): Edit {
  return machine => {
    const { bore, member } = byId(machine.wheels, wheel) ?? {};
    const section = bore && sectionOf(bore);
    return section && member !== undefined ? setArbor(member, { section })(machine) : machine;
  };
}

function sectionOf(bore: NonNullable<Wheel['bore']>): Arbor['section'] {
  switch (bore.kind) {
    case 'hex':
    case 'square':
      return { kind: bore.kind, across: bore.across };
    case 'D':
      return { kind: 'flat', diameter: bore.diameter, across: bore.flat };
    case 'keyed':
      return { kind: 'keyed', diameter: bore.diameter, keyWidth: bore.width, keyDepth: bore.depth };
    case 'round':
      return { kind: 'rod', diameter: bore.diameter };
    case 'none':
      return undefined;
  }
}

/** Puts what an arm carries in copies at the multiples of `step` turns nearest to equal places. */
function setPlaces(member: string, step: number): Edit {
  return machine => {
    const arbor = byId(machine.members, member);
    const axis = arbor?.kind === 'arbor' ? byId(machine.axes, arbor.axis) : undefined;
    const count = axis?.copies?.count;
    if (!axis || count === undefined) return machine;
    const anglesDeg = Array.from({ length: count }, (_, i) => Math.round(i / count / step) * step * 360);
    const alike = (a: Axis): boolean => a.frame === axis.frame && a.copies?.count === count;
    return {
      ...machine,
      axes: machine.axes.map(a => (alike(a) ? { ...a, copies: { count, anglesDeg } } : a)),
    };
  };
}

/** Gives a mesh a toothing of its own, of that module and otherwise as it was. */
function ownModule(joint: string, module: number): Edit {
  return onOwnTeeth(joint, id => setToothing(id, { size: { by: 'module', module } }));
}

type Form = Toothing['form'];

/** Changes the form of the teeth of a mesh, a wheel or a toothing of that kind; any other is left as it is. */
const setFormOf = <K extends Form['kind']>(
  subject: string,
  kind: K,
  change: Partial<Extract<Form, { kind: K }>>,
): Edit =>
  onOwnTeeth(subject, id => machine => {
    const toothing = byId(machine.toothings, id);
    return toothing?.form.kind === kind
      ? setToothing(id, { form: { ...toothing.form, ...change } as Form })(machine)
      : machine;
  });

const setForm = (id: string, change: Partial<InvoluteForm>): Edit => setFormOf(id, 'involute', change);

/** The edit that a fix stands for. */
export function editForFix<C extends Exclude<FixCode, LaidFixCode>>(fix: Fix<C>): Edit {
  const make = EDITS[fix.code] as (subject: string, value: Fix<C>['value']) => Edit;
  return make(fix.subject, fix.value);
}
