import {
  type Allowances,
  boltHole,
  boltRoom,
  boltsInOpenings,
  type Hole,
  boreFault,
  boreReach,
  leastRim,
  leastSpoke,
  webPaths,
  webSizes,
} from '../../teeth/body/index.ts';
import type { Wheel } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import type { WheelState } from '../state/index.ts';

/** Least wall between bore and tooth root, in modules (common practice, no source). */
const LEAST_WALL = 1;

/** The module that strength is measured by: the toothing's own, or a third of a pin. */
function moduleOfTeeth({ teeth, dimensions }: WheelState): number {
  if ('module' in teeth.spec) return teeth.spec.module;
  if ('pinDiameter' in teeth.spec) return teeth.spec.pinDiameter / 3;
  return (2 * dimensions.pitchRadius) / teeth.spec.pairs / 3;
}

/** The hole that a wheel has, if any. */
export const holeOf = (wheel: Wheel): Hole | undefined =>
  wheel.bore && wheel.bore.kind !== 'none' ? wheel.bore : undefined;

/** Room for the web and the bore of a wheel. */
export const webRoom = (
  wheel: Wheel,
  state: WheelState,
  fits?: Allowances,
): { rootRadius: number; boreRadius: number; module: number } => {
  const hole = holeOf(wheel);
  return {
    rootRadius: state.figure.ok ? state.figure.value.webRadius : 0,
    boreRadius: hole ? boreReach(hole, fits) : 0,
    module: moduleOfTeeth(state),
  };
};

/** Judgements about bore, hub, rim and spokes. */
export function bodyFindings(wheel: Wheel, state: WheelState, fits?: Allowances): Finding[] {
  const room = webRoom(wheel, state, fits);
  const hub = hubFinding(wheel, state);
  if (room.rootRadius === 0) return hub;
  return [...hub, ...boreFindings(wheel, room), ...webFindings(wheel, room), ...boltFindings(wheel, room)];
}

/** Teeth whose bodies are not drawn up from a plane figure: a hub does not stand out of these yet. */
const WITHOUT_HUB: ReadonlySet<string> = new Set<WheelState['teeth']['family']>(['bevel', 'pegs', 'pins']);

/** Whether a hub can stand out of a wheel with such teeth. */
export const takesHub = ({ role }: Wheel, { teeth }: WheelState): boolean =>
  (role === 'wheel' || role === 'sprocket') && !WITHOUT_HUB.has(teeth.family);

/** A hub that is asked of a wheel whose body would not show it. */
const hubFinding = (wheel: Wheel, state: WheelState): Finding[] =>
  wheel.body?.proud && !takesHub(wheel, state)
    ? [finding('hub-not-here', 'warn', 'teeth', [wheel.id], {}, [fix('no-hub', wheel.id)])]
    : [];

type Room = ReturnType<typeof webRoom>;

function boreFindings(wheel: Wheel, { rootRadius, boreRadius, module }: Room): Finding[] {
  const hole = holeOf(wheel);
  if (!hole) return [];
  const fault = boreFault(hole);
  if (fault) return [finding('bore-fault', 'stop', 'teeth', [wheel.id], { fault })];
  const wall = rootRadius - boreRadius;
  const least = LEAST_WALL * module;
  if (wall >= least) return [];
  const largest = Math.floor(20 * (rootRadius - least)) / 10;
  const fixes = largest > 0 && hole.kind === 'round' ? [fix('set-bore', wheel.id, largest)] : [];
  const { id } = wheel;
  return wall <= 0
    ? [
        finding(
          'bore-through-root',
          'stop',
          'teeth',
          [id],
          { bore: 2 * boreRadius, root: 2 * rootRadius },
          fixes,
        ),
      ]
    : [finding('thin-wall', 'warn', 'teeth', [id], { wall, least }, fixes)];
}

function webFindings(wheel: Wheel, room: Room): Finding[] {
  const { body } = wheel;
  if (!body || body.web.kind === 'solid') return [];
  const paths = webPaths(body, room);
  if (!paths.ok) {
    const fixes = [fix('set-solid', wheel.id)];
    return [finding('web-impossible', 'warn', 'teeth', [wheel.id], { problem: paths.problem }, fixes)];
  }
  const sizes = webSizes(body, room);
  const weak: Finding[] = [];
  if (sizes.rim < leastRim(room.module))
    weak.push(
      finding('thin-rim', 'warn', 'teeth', [wheel.id], { rim: sizes.rim, least: leastRim(room.module) }, [
        fix('set-rim', wheel.id, Math.ceil(leastRim(room.module) * 10) / 10),
      ]),
    );
  if (body.web.kind !== 'holes' && sizes.spoke < leastSpoke(room.module))
    weak.push(
      finding('thin-spokes', 'warn', 'teeth', [wheel.id], {
        width: sizes.spoke,
        least: leastSpoke(room.module),
      }),
    );
  return weak;
}

/** A bolt circle too near the bore or the roots, with more screws than stand on it, or in an opening of the web. */
function boltFindings(wheel: Wheel, room: Room): Finding[] {
  const { body, id } = wheel;
  if (!body?.bolts || boltHole(body) === 0) return [];
  const { circle, number } = body.bolts;
  const { least, most, number: fit } = boltRoom(body, room);
  const fixes = [
    ...(most >= least ? [fix('set-bolt-circle', id, Math.min(most, Math.max(least, circle)))] : []),
    fix('no-bolts', id),
  ];
  if (circle < least - 1e-9 || circle > most + 1e-9)
    return [
      finding('bolts-at-edge', 'stop', 'teeth', [id], { circle, least, most: Math.max(0, most) }, fixes),
    ];
  if (number > fit) {
    const fewer = fit >= 2 ? [fix('set-bolts', id, fit)] : [];
    return [
      finding('bolts-meet', 'stop', 'teeth', [id], { number, most: fit }, [...fewer, fix('no-bolts', id)]),
    ];
  }
  const web = webPaths(body, room);
  return web.ok && boltsInOpenings(body, web.value)
    ? [finding('bolts-in-opening', 'stop', 'teeth', [id], {}, [fix('set-solid', id), fix('no-bolts', id)])]
    : [];
}
