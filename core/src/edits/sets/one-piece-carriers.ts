import { byId, type Machine } from '../../document/machine/index.ts';
import { type Edit, setArbor, setWheel } from '../change/index.ts';
import { type StageParts, stageParts } from './stage-parts.ts';

/** The stages of a set that are whole. */
const partsOf = (machine: Machine, setId: string): StageParts[] =>
  (byId(machine.sets, setId)?.stages ?? []).flatMap(s => stageParts(machine, s) ?? []);

/** Whether every arm of a set is of one piece with its pegs. */
export const hasOnePieceCarriers = (machine: Machine, setId: string): boolean => {
  const parts = partsOf(machine, setId);
  return parts.length > 0 && parts.every(p => p.arm.onePiece === true);
};

/**
 * Makes every arm of a set one piece with its tube, with pegs on which the planets turn loosely, and with the wheels on
 * it, such as the next sun; or parts of their own again.
 */
export const carriersOfOnePiece =
  (setId: string, on: boolean): Edit =>
  machine =>
    partsOf(machine, setId).reduce((m, { arm, planet, second }) => {
      const wheels = m.wheels.filter(w => w.member === arm.id && w.role !== 'ring').map(w => w.id);
      const held = wheels.reduce((x, id) => hold(id, on ? 'one piece' : undefined)(x), m);
      const planets = [planet.id, ...(second ? [second.planet.id] : [])];
      const loose = planets.reduce((x, id) => turning(id, on)(x), held);
      return setArbor(arm.id, { onePiece: on ? true : undefined })(loose);
    }, machine);

const hold = (id: string, how: 'one piece' | 'loose' | undefined): Edit =>
  setWheel(id, { hold: how } as Parameters<typeof setWheel>[1]);

/** A planet that turns loosely on its peg has a bore for that; one that turns with its rod is fixed on it. */
const turning =
  (id: string, on: boolean): Edit =>
  machine => {
    const bore = byId(machine.wheels, id)?.bore;
    const own = hold(id, on ? 'loose' : undefined)(machine);
    if (bore?.kind !== 'round') return own;
    const { fit: _, ...plain } = bore;
    return setWheel(id, { bore: on ? { ...plain, fit: 'free' } : plain })(own);
  };

/** Whether the planets of a set roll between its sun and its ring by themselves. */
export const hasFloatingPlanets = (machine: Machine, setId: string): boolean => {
  const parts = partsOf(machine, setId);
  return parts.length > 0 && parts.every(p => p.arm.bodiless === true);
};

/**
 * Lets the planets of a set roll between sun and ring by themselves, as in a bearing: nothing is made of arms and rods,
 * and planets have no bores; or gives them rods and arms again.
 */
export const floatingPlanets =
  (setId: string, on: boolean): Edit =>
  machine =>
    partsOf(machine, setId).reduce((m, { arm, planetArbor, planet }) => {
      const bodiless = { bodiless: on ? (true as const) : undefined };
      const bored = setWheel(planet.id, { bore: on ? { kind: 'none' } : { kind: 'round', diameter: BORE } })(
        m,
      );
      return setArbor(planetArbor.id, bodiless)(setArbor(arm.id, bodiless)(bored));
    }, machine);

/** Bore of planets that get rods again, mm, as those of new wheels. */
const BORE = 4;
