import { bisect } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { LIMITS } from '../../document/machine/index.ts';

/** The least stock between bore, holes and lobes of a reducer's disc, and round its shaft in the eccentric, mm. */
export const REDUCER_WALL = 1.6;
/** The thinnest output pin, mm (our choice). */
const LEAST_OUTPUT = 0.8;
/** Of the room between bore and lobes the part that output pins take (our choice). */
const SHARE = 0.6;

/** What the sizes of a reducer follow from; mm. */
export interface ReducerAsked {
  readonly lobes: number;
  readonly pins: number;
  readonly module: number;
  readonly pinDiameter: number;
  readonly eccentricity: number;
  /** Across the shaft within the eccentric. */
  readonly shaft: number;
}

/** Bore of the disc, and the output pins that leave the same stock round bore, holes and lobes; mm. */
export interface ReducerSizes {
  readonly bore: number;
  readonly outputPin: number;
  readonly circle: number;
}

/** Across the pins of a ring and off the centre, as parts of the module, where nothing is said (our choice). */
export const usualReducer = (
  module: number,
  difference: number,
): Pick<ReducerAsked, 'pinDiameter' | 'eccentricity'> => ({
  pinDiameter: Number((1.2 * module).toFixed(3)),
  eccentricity: Number((0.3 * module * difference).toFixed(3)),
});

/** Room for an output pin between bore and lobes, mm; below nought there is none. */
function roomFor({ pins, module, pinDiameter, eccentricity: e, shaft }: ReducerAsked): {
  readonly bore: number;
  readonly roots: number;
  readonly pin: number;
} {
  const bore = shaft + 2 * e + 2 * REDUCER_WALL;
  const roots = (module * pins) / 2 - pinDiameter / 2 - 2 * e;
  return { bore, roots, pin: SHARE * (roots - bore / 2 - 2 * REDUCER_WALL - 2 * e) };
}

/**
 * Sizes of a reducer's bore and output: the bore clears the shaft by eccentricity and wall, the holes (pin + 2·e) stand
 * midway between bore and roots of the lobes (derived here). Refused where no pin finds room, with the least module, in
 * the same proportions, that gives it; 0 where none does.
 */
export function reducerSizes(asked: ReducerAsked): Result<ReducerSizes> {
  const { lobes, pins } = asked;
  if (pins <= lobes) return fail('reducer-counts', { lobes, pins });
  const { bore, roots, pin } = roomFor(asked);
  if (pin > LEAST_OUTPUT)
    return ok({
      bore: Number(bore.toFixed(2)),
      outputPin: Number(pin.toFixed(2)),
      circle: Number((roots + bore / 2).toFixed(2)),
    });
  const scaled = (module: number): ReducerAsked => {
    const by = module / asked.module;
    return { ...asked, module, pinDiameter: asked.pinDiameter * by, eccentricity: asked.eccentricity * by };
  };
  const [, most] = LIMITS.module;
  const enough = (module: number): number => roomFor(scaled(module)).pin - LEAST_OUTPUT;
  const module = enough(most) > 0 ? Math.ceil(100 * bisect(enough, asked.module, most)) / 100 : 0;
  return fail('reducer-no-room', { lobes, pins, module });
}
