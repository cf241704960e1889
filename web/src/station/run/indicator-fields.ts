import { type Dial, type DialWindow, type Indicator, type Ring, LIMITS } from '@tesseron/core/machine';
import { length, number, type NumberSpec } from '../../parts/number-spec';

const SIZE: readonly [number, number] = LIMITS.dialSize;
const FROM_NOUGHT: readonly [number, number] = LIMITS.fromNought;
const DEGREES: readonly [number, number] = LIMITS.angleDeg;

/** A change of some fields; one given as undefined goes. */
export type Change = (what: Readonly<Record<string, unknown>>) => void;

/** The measures of an indicator. */
export function indicatorFields(i: Indicator, set: Change): NumberSpec[] {
  const setting = number('Set at', i.settingDeg, DEGREES, v => set({ settingDeg: v }), {
    unit: '°',
    hint: 'from the right, counter-clockwise',
    test: 'indicator-setting',
  });
  const radius = (label: string): NumberSpec =>
    length(label, i.radius, SIZE, v => set({ radius: v }), { test: 'indicator-radius' });
  switch (i.kind) {
    case 'hand':
      return [
        radius('Length'),
        length('Width', i.width, SIZE, v => set({ width: v }), { clear: () => set({ width: undefined }) }),
        length('Tail', i.tail, FROM_NOUGHT, v => set({ tail: v }), { clear: () => set({ tail: undefined }) }),
        setting,
      ];
    case 'dial':
      return [radius('Radius'), { ...setting, label: 'Nought at' }];
    case 'globe':
      return [radius('Radius'), setting];
    case 'body':
      return [
        radius('Radius'),
        length('Distance', i.distance, FROM_NOUGHT, v => set({ distance: v }), { test: 'body-distance' }),
        setting,
        length('Lifted', i.lift, LIMITS.lift, v => set({ lift: v > 0 ? v : undefined }), {
          clear: () => set({ lift: undefined }),
          hint: 'above its arm',
          test: 'body-lift',
        }),
      ];
  }
}

/** The measures of a counterweight. */
export function weightFields(
  weight: NonNullable<Extract<Indicator, { kind: 'body' }>['weight']>,
  set: Change,
): NumberSpec[] {
  const put = (more: object): void => set({ weight: { ...weight, ...more } });
  return [
    length('Weight out', weight.distance, SIZE, v => put({ distance: v })),
    length('across', weight.diameter, SIZE, v => put({ diameter: v })),
    length('high', weight.height, SIZE, v => put({ height: v }), { test: 'weight-height' }),
  ];
}

/** The measures of a ring of a dial. */
export function ringFields(ring: Ring, set: (ring: Ring) => void): NumberSpec[] {
  const put = (more: object): void => set({ ...ring, ...more });
  const { long: _, ...plain } = ring;
  return [
    number('Divisions', ring.divisions, LIMITS.divisions, v => put({ divisions: v }), {
      whole: true,
      test: 'ring-divisions',
    }),
    number('Long: every', ring.long, LIMITS.divisions, v => put({ long: v }), {
      whole: true,
      clear: () => set(plain),
    }),
    length('Inner radius', ring.inner, SIZE, v => put({ inner: v })),
    length('Outer radius', ring.outer, SIZE, v => put({ outer: v })),
  ];
}

type Numerals = NonNullable<Ring['numerals']>;

/** The measures of a ring’s numerals. */
export function numeralFields(numerals: Numerals, set: (numerals: Numerals) => void): NumberSpec[] {
  const { writes } = numerals;
  const sizes = [
    length('At radius', numerals.radius, SIZE, v => set({ ...numerals, radius: v })),
    length('Height', numerals.height, LIMITS.numeralHeight, v => set({ ...numerals, height: v }), {
      test: 'numeral-height',
    }),
  ];
  if (writes.kind === 'names') return sizes;
  const whole = (
    label: string,
    key: 'count' | 'first' | 'step',
    limits: readonly [number, number],
  ): NumberSpec =>
    number(label, writes[key], limits, v => set({ ...numerals, writes: { ...writes, [key]: v } }), {
      whole: true,
      test: `numeral-${key}`,
    });
  return [
    ...sizes,
    whole('How many', 'count', LIMITS.numeralsCount),
    whole('First', 'first', LIMITS.numeralsFirst),
    whole('Step', 'step', LIMITS.numeralsStep),
  ];
}

/** The measures of a window. */
export function windowFields(window: DialWindow, set: (window: DialWindow) => void): NumberSpec[] {
  const put = (more: object): void => set({ ...window, ...more } as DialWindow);
  const at = number('At', window.atDeg, DEGREES, v => put({ atDeg: v }), {
    unit: '°',
    hint: 'from nought, counter-clockwise',
  });
  if (window.kind === 'sector')
    return [
      at,
      number('Spans', window.spanDeg, LIMITS.spanDeg, v => put({ spanDeg: v }), { unit: '°' }),
      length('Inner radius', window.inner, SIZE, v => put({ inner: v })),
      length('Outer radius', window.outer, SIZE, v => put({ outer: v })),
    ];
  return [
    at,
    length(window.kind === 'phases' ? 'Moon’s distance' : 'Distance', window.distance, FROM_NOUGHT, v =>
      put({ distance: v }),
    ),
    length(
      window.kind === 'phases' ? 'Moon’s radius' : 'Radius',
      window.radius,
      SIZE,
      v => put({ radius: v }),
      {
        test: 'window-radius',
      },
    ),
  ];
}

/** A window of another kind in about the same place. */
export function newWindow(kind: DialWindow['kind'], dial: Dial): DialWindow {
  const r = dial.radius;
  const two = (x: number): number => Number(x.toFixed(2));
  switch (kind) {
    case 'round':
      return { kind, atDeg: 0, distance: two(r * 0.5), radius: two(r * 0.12) };
    case 'sector':
      return { kind, atDeg: 0, spanDeg: 40, inner: two(r * 0.4), outer: two(r * 0.6) };
    case 'phases':
      return { kind, atDeg: 0, distance: two(r * 0.36), radius: two(r * 0.24) };
  }
}
