import type { Machine } from '../../document/machine/index.ts';
import type { Fix, FixCode, Fixes } from '../../ground/result/index.ts';
import { figure, mm } from '../../ground/units/index.ts';
import { nameOf } from './names.ts';

/** What every change does, as the label of its button. */
const FIXES: { readonly [C in FixCode]: (value: Fixes[C], name: string) => string } = {
  'set-shift': v => `Profile shift ${figure(v, 3)}`,
  'shift-together': (v, name) => `${name}: shift ${figure(v, 3)}, and what meshes with it by as much`,
  'set-play': v => `Play ${mm(v, 2)}`,
  'set-bore': v => `Bore ${mm(v, 1)}`,
  'set-spread': v => (v === 0 ? 'Centres at theory' : `Spread ${mm(v)}`),
  'body-out': v => `Put it at ${mm(v)}`,
  'reach-back': () => 'Let it reach out at the back',
  'section-for-bore': () => 'Take a rod of that section',
  'set-addendum': v => `Stub teeth, addendum ${figure(v, 3)}`,
  'set-fillet': v => `Fillet ${figure(v, 3)} modules`,
  'dial-other-way': () => 'Number the dial the other way',
  'drive-other-way': () => 'Turn the drive the other way',
  'hand-length': v => `Hand of ${mm(v)}`,
  'insert-idler': v => `Insert an idler of ${v}`,
  'hold-member': () => 'Hold it still',
  'set-places': () => 'Nearest places that do',
  'set-shorten': v => `Cut the tips by ${figure(v, 3)} modules`,
  'set-pin': v => `Pins of ${mm(v)}`,
  'set-rim': v => `Rim ${mm(v, 1)}`,
  'set-solid': () => 'Leave it solid',
  'set-face-width': v => `Face width ${mm(v, 1)}`,
  'form-pinion-drives': () => 'Form it for a driving pinion',
  'form-wheel-drives': () => 'Form it for a driving wheel',
  'hand-left': () => 'Make it left-hand',
  'hand-right': () => 'Make it right-hand',
  'set-teeth': (v, name) => `${name}: ${v} teeth`,
  'own-module': v => `A module of their own, ${figure(v, 6)} mm`,
  'grow-envelope': v => `Envelope of ${mm(v, 0)}`,
  'set-tube': v => `Bore it ${mm(v)}`,
  'bore-for-arbor': () => 'Bore it for its arbor',
  'take-bearing': v => `Take bearing ${v}`,
  'plates-round-holes': () => 'Cut the plates round their holes',
  'set-weight-height': v => `Weight ${mm(v, 2)} high`,
  'not-bent': () => 'Take a longer pin instead',
  divide: v => `Make it in ${v} pieces`,
  'not-divided': () => 'Make it whole',
  'glue-on': () => 'Glue it on its arbor',
  'set-plate-thickness': v => `A plate of ${mm(v)}`,
  'press-on': (_, name) => `Make ${name} a part of its own, pressed on`,
  'no-bearing': () => 'Take a plain hole',
  'set-column-height': v => `A column ${mm(v, 0)} high`,
  'set-base-across': v => `A base ${mm(v, 0)} across`,
  'set-feet-height': v => `Feet ${mm(v, 0)} high`,
  'set-feet-across': v => `Feet ${mm(v, 0)} across`,
  'give-body': () => 'Make it after all',
  'pins-behind': v => `Put its plate in layer ${v + 1}`,
  'give-hub': v => `Let its hub stand out by ${mm(v, 1)}`,
  'no-hub': () => 'Leave its hub flush',
  'no-lugs': () => 'Take its lugs away',
  'set-hub-height': v => `Make its hub ${mm(v, 1)} high`,
  'set-hub-across': v => `Make its hub ${mm(v, 1)} across`,
  'give-lugs': () => 'Give it three lugs for rods in the plates',
  'give-wall': v => `Give it a wall on its ${v}`,
  'support-both': () => 'Hold it on both sides',
  'set-arm-layer': v => `Its bar into layer ${v + 1}`,
  'press-bore': () => 'Press it on',
  'take-thickness': v => `Draw layers ${mm(v, 2)} thick`,
  'slot-bearing': v => `Slots of ${mm(2 * v, 1)}`,
  'find-layers': () => 'Find layers',
  'swing-axis': v => `Swing to ${figure(v, 4)}°`,
};

/** What a fix does, as the label of its button. */
export function sayFix<C extends FixCode>(fix: Fix<C>, machine: Machine): string {
  const words = FIXES[fix.code] as (value: Fix['value'], name: string) => string;
  return words(fix.value, nameOf(machine, fix.subject));
}
