import type { WheelState } from './derived.ts';

/** Whether the figure of a wheel is what the plan shows of it: closed round its axis, or a rack; no developed cone. */
export const liesInPlan = ({ figure, teeth }: WheelState): boolean =>
  figure.ok && (figure.value.closes || teeth.family === 'involute rack');

/** The pitch of a rack, mm along it, and how many teeth it has; undefined for other teeth. */
export const rackOf = ({
  teeth,
}: WheelState): { readonly pitch: number; readonly count: number } | undefined =>
  teeth.family === 'involute rack'
    ? { pitch: Math.PI * teeth.spec.module, count: teeth.spec.count }
    : undefined;
