import { byId, circleCount, meshes, type Wheel } from '../../document/machine/index.ts';
import type { Mm } from '../../ground/result/measures.ts';
import { leadOf } from '../../teeth/tooth/index.ts';
import type { Derived } from '../state/index.ts';

/** A measure of a wheel by its name, in mm. */
export type WheelFigure = readonly [name: string, value: Mm];

/**
 * The measures of a wheel as one reads them off: circles of a wheel; of a rack its pitch p = π m, its length and the
 * travel p·z for a turn of each pinion; of a worm its lead π m z, of helical teeth π d / tan β (ISO 21771).
 */
export function wheelFigures(
  { machine, wheels, modules }: Pick<Derived, 'machine' | 'wheels' | 'modules'>,
  wheel: Wheel,
  helixDeg: number,
): WheelFigure[] {
  const state = wheels[wheel.id];
  if (!state) return [];
  const module = modules[wheel.toothing];
  const count = circleCount(wheel);
  const pitch = module === undefined ? undefined : Math.PI * module;
  const own = meshes(machine).filter(j => j.a === wheel.id || j.b === wheel.id);
  if (wheel.role === 'rack') {
    if (pitch === undefined || count === undefined) return [];
    const travels = own.flatMap((j): WheelFigure[] => {
      const pinion = byId(machine.wheels, j.a === wheel.id ? j.b : j.a);
      const teeth = pinion && circleCount(pinion);
      return teeth === undefined ? [] : [[`travel for a turn of ${pinion?.name ?? ''}`, teeth * pitch]];
    });
    return [['pitch', pitch], ['length', count * pitch], ...travels];
  }
  const { pitchRadius, tipRadius, rootRadius } = state.dimensions;
  const worm = own.some(j => j.type === 'worm' && j.a === wheel.id);
  const lead: WheelFigure[] =
    worm && pitch !== undefined && count !== undefined
      ? [['lead', count * pitch]]
      : helixDeg > 0
        ? [['lead', leadOf(2 * pitchRadius, helixDeg)]]
        : [];
  const d = worm ? undefined : state.involute;
  return [
    ['pitch Ø', 2 * pitchRadius],
    [tipRadius < rootRadius ? 'inside Ø' : 'outside Ø', 2 * tipRadius],
    ['root Ø', 2 * rootRadius],
    ...lead,
    ...(d
      ? ([
          ['base Ø', 2 * d.baseRadius],
          ['tooth thickness', d.thickness],
          ['tip thickness', d.tipThickness],
        ] as const)
      : []),
  ];
}
