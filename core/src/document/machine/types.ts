import type { z } from 'zod';
import type { Axis as AxisSchema } from './schema/axis.ts';
import type { Pin as PinSchema } from './schema/basic.ts';
import type { Indicator as IndicatorSchema } from './schema/indicator.ts';
import type { Joint as JointSchema } from './schema/joint.ts';
import type { Region as RegionSchema } from './schema/layout.ts';
import type { MachineSchema } from './schema/machine.ts';
import type { Member as MemberSchema } from './schema/member.ts';
import type { GearSet as GearSetSchema } from './schema/set.ts';
import type { Toothing as ToothingSchema, Wheel as WheelSchema } from './schema/toothing.ts';
import type {
  Aim as AimSchema,
  Making as MakingSchema,
  Material as MaterialSchema,
  Plan as PlanSchema,
  Process as ProcessSchema,
  Search as SearchSchema,
} from './schema/work.ts';

/** The same, readonly all the way down; arrays and tuples stay arrays and tuples. */
type Deep<T> = T extends object ? { readonly [K in keyof T]: Deep<T[K]> } : T;

/** The document and its parts, as readonly data. */
export type Region = Deep<z.output<typeof RegionSchema>>;
export type Layout = Machine['layout'];
export type Machine = Deep<z.output<typeof MachineSchema>>;
export type Axis = Deep<z.output<typeof AxisSchema>>;
export type Member = Deep<z.output<typeof MemberSchema>>;
export type Arbor = Extract<Member, { kind: 'arbor' }>;
export type Toothing = Deep<z.output<typeof ToothingSchema>>;
export type InvoluteForm = Extract<Toothing['form'], { kind: 'involute' }>;
export type Wheel = Deep<z.output<typeof WheelSchema>>;
export type Joint = Deep<z.output<typeof JointSchema>>;
export type Pin = Deep<z.output<typeof PinSchema>>;
export type Slide = Extract<Member, { kind: 'slide' }>;
export type Link = Extract<Member, { kind: 'link' }>;
export type MeshJoint = Extract<Joint, { kind: 'mesh' }>;
export type GearSet = Deep<z.output<typeof GearSetSchema>>;
export type SetStage = GearSet['stages'][number];
export type Aim = Deep<z.output<typeof AimSchema>>;
export type Search = Deep<z.output<typeof SearchSchema>>;
export type Drive = NonNullable<Machine['drive']>;
export type Plan = Deep<z.output<typeof PlanSchema>>;
export type Process = Deep<z.output<typeof ProcessSchema>>;
export type Material = Deep<z.output<typeof MaterialSchema>>;
export type Making = Deep<z.output<typeof MakingSchema>>;
export type Indicator = Deep<z.output<typeof IndicatorSchema>>;
export type Hand = Extract<Indicator, { kind: 'hand' }>;
export type Dial = Extract<Indicator, { kind: 'dial' }>;
export type Ring = Dial['rings'][number];
export type DialWindow = Dial['windows'][number];
export type Reads = NonNullable<Indicator['reads']>;
