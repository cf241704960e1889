import { VERSION } from './format.ts';

/**
 * Steps from one version of the document to the next, by the version they start from. Version 1 is the first; version 2
 * added plans for several outputs, wider searches with what they found, aims seen from an arm, and the way a drive
 * rolls; version 3 added the mode a machine stands in, what turns the drive, and the way bevels, worms and racks
 * stand; version 4 added what tooth forms beside the involute are made from, bores of other shapes, and bodies;
 * version 5 added the layout: envelope, plates, tubes, axes on lines and in mirrors; version 6 added what hands,
 * dials, globes and bodies look like and how they are read, and the way round that the drive turns; version 7 added
 * materials, and parts made otherwise than the rest; version 8 tolerances in what an output counts; version 9
 * planetary sets that are kept one; version 10 yokes, slots, four-bars and rods that meet, points of rods,
 * slides beside an axis, turned forks; version 11 motions, followers, sizes and layers of cams; version 12 cords, pins
 * on the faces of wheels, and joints that a mode lets go.
 */
const STEPS: Readonly<Record<number, (data: unknown) => unknown>> = {
  1: data => ({ ...(data as object), version: 2, plans: [] }),
  2: data => ({ ...(data as object), version: 3 }),
  7: data => ({
    ...(data as object),
    version: 8,
    aims: aimsOf((data as { aims?: unknown }).aims),
  }),
  8: data => ({ ...(data as object), version: 9, sets: [] }),
  9: data => ({ ...(data as object), version: 10 }),
  10: camsOf,
  11: data => ({ ...(data as object), version: 12 }),
  6: data => ({ ...(data as object), version: 7, materials: [], making: [] }),
  5: data => ({
    ...(data as object),
    version: 6,
    indicators: indicatorsOf((data as { indicators?: unknown }).indicators),
  }),
  4: data => ({ ...(data as object), version: 5, layout: { keepOuts: [] } }),
  3: data => ({
    ...(data as object),
    version: 4,
    toothings: formsOf((data as { toothings?: unknown }).toothings),
  }),
};

/** What forms of version 3 did not say, as a maker would have it who says nothing. */
const FORMS_BEFORE_4: Readonly<Record<string, object>> = {
  cycloidal: { drives: 'wheel', tip: 'eased', practical: 0.95, clearance: 0.4 },
  lantern: { practical: 0.9, clearance: 0.1 },
  pegs: { friction: 0.35 },
  reducer: { offset: 0, ring: 'pins' },
};

function formsOf(toothings: unknown): unknown {
  if (!Array.isArray(toothings)) return toothings;
  return toothings.map((t: unknown) => {
    if (typeof t !== 'object' || t === null) return t;
    const { form, helixDeg, ...rest } = t as { form?: unknown; helixDeg?: unknown };
    if (typeof form !== 'object' || form === null) return t;
    const kind = String((form as { kind?: unknown }).kind);
    const leaning = typeof helixDeg === 'number' ? { helixDeg: Math.abs(helixDeg) } : {};
    const said = kind === 'cycloidal' ? { kind } : form;
    return { ...rest, ...leaning, form: { ...FORMS_BEFORE_4[kind], ...said } };
  });
}

/** Indicators of version 5 had a radius and a setting only. */
function indicatorsOf(indicators: unknown): unknown {
  if (!Array.isArray(indicators)) return indicators;
  return indicators.map((i: unknown) => {
    const { kind, radius } = (i ?? {}) as { kind?: unknown; radius?: unknown };
    if (kind === 'hand') return { ...(i as object), shape: 'tapered' };
    if (kind === 'body') return { ...(i as object), distance: Number(radius) * 2 };
    if (kind !== 'dial') return i;
    const ring = { outer: Number(radius), inner: Number(radius) * 0.9, divisions: 12 };
    return { ...(i as object), sense: 'counter-clockwise', rings: [ring], windows: [] };
  });
}

/** The tolerance of an aim of version 7 was in degrees only. */
function aimsOf(aims: unknown): unknown {
  if (!Array.isArray(aims)) return aims;
  return aims.map((aim: unknown) => {
    const { tolerance } = (aim ?? {}) as { tolerance?: unknown };
    if (typeof tolerance !== 'object' || tolerance === null || !('degrees' in tolerance)) return aim;
    const { degrees: amount, ...rest } = tolerance;
    return { ...(aim as object), tolerance: { ...rest, amount } };
  });
}

/** Cams of version 10 had straight lines between points only, and neither a size nor a layer. */
function camsOf(data: unknown): unknown {
  const before = data as { joints?: unknown; wheels?: unknown };
  if (!Array.isArray(before.joints)) return { ...before, version: 11 };
  const layers = Array.isArray(before.wheels)
    ? before.wheels.map((w: unknown) => Number((w as { layer?: unknown } | null)?.layer ?? 0))
    : [];
  const joints = before.joints.map((j: unknown) => {
    const { lift, ...rest } = (j ?? {}) as { kind?: unknown; lift?: unknown };
    if (rest.kind !== 'cam') return j;
    const motion = { kind: 'points', points: lift, straight: true };
    const usual = { radius: 20, touch: { kind: 'knife' }, kept: { kind: 'weight' } };
    return { ...rest, motion, ...usual, layer: Math.max(-1, ...layers) + 1 };
  });
  return { ...before, version: 11, joints };
}

/** Brings a document of an older version up to the one this code writes. Throws for a version without a step. */
export function migrate(data: unknown, version: number): unknown {
  let current = data;
  for (let v = version; v < VERSION; v++) {
    const step = STEPS[v];
    if (!step) throw new Error(`migrate: no step from version ${v}`);
    current = step(current);
  }
  return current;
}
