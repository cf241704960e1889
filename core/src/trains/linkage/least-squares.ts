import { levenbergMarquardt } from 'ml-levenberg-marquardt';

/**
 * The values at which so many remainders become least in their squares, sought from a start by Levenberg's and
 * Marquardt's routine. Slopes are taken over a
 * millionth of the `size` of each value.
 */
export function leastSquares(
  start: readonly number[],
  remainders: (values: readonly number[]) => readonly number[],
  count: number,
  size: readonly number[],
  rounds = 30,
): number[] {
  const { parameterValues } = levenbergMarquardt(
    { x: Array.from({ length: count }, (_, i) => i), y: new Array<number>(count).fill(0) },
    values => {
      const all = remainders(values);
      return i => all[i] ?? 0;
    },
    {
      ...{ initialValues: [...start], damping: 1e-2, maxIterations: rounds, errorTolerance: 1e-20 },
      gradientDifference: size.map(s => 1e-6 * s),
    },
  );
  return parameterValues;
}
