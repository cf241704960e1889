import { grubScrewFor, type GrubScrew } from '../../document/bought/index.ts';
import type { Wheel } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { bodiesOnLines } from './pieces.ts';
import { hubAcross, proudHub, type ProudHub } from './proud-hubs.ts';
import type { LayoutParts } from './solids.ts';
import { overlap } from './stack.ts';

/** Stock that a hub needs on each side of the thread of its grub screw, mm (common practice, no source). */
const BESIDE_THREAD = 1;
/** Lower than this a hub is not worth making, mm (our choice). */
const LEAST_HUB = 0.4;

/**
 * Hubs that stand out of their wheels: what lies where they reach on their line, what is too low for the grub screw
 * in it, and grub screws in wheels without one.
 */
export function hubFindings(parts: LayoutParts): Finding[] {
  return parts.machine.wheels.flatMap(wheel => {
    const hub = proudHub(parts.machine, parts.stack.layers, wheel);
    return [
      ...(hub ? strikes(parts, hub) : []),
      ...(wheel.hold === 'grub screw' ? screwFindings(parts, wheel, hub) : []),
    ];
  });
}

function strikes(parts: LayoutParts, { wheel, side, height, band }: ProudHub): Finding[] {
  const own = parts.stack.layers.get(wheel.layer);
  const others = bodiesOnLines(parts).filter(b => b.wheel !== wheel.id && overlap(b.band, band));
  const onLine = others.filter(b => b.arbors.includes(wheel.member));
  if (onLine.length === 0 || !own) return [];
  const room = Math.max(
    0,
    side === 'front'
      ? Math.min(...onLine.map(b => b.band.from)) - band.from
      : band.to - Math.max(...onLine.map(b => b.band.to)),
  );
  const lower = Math.floor(10 * room) / 10;
  const fixes = lower >= LEAST_HUB ? [fix('set-hub-height', wheel.id, lower)] : [fix('no-hub', wheel.id)];
  return [finding('hub-strikes', 'stop', 'plan', [wheel.id], { height, room }, fixes)];
}

function screwFindings(parts: LayoutParts, wheel: Wheel, hub: ProudHub | undefined): Finding[] {
  const arbor = parts.sizes.get(wheel.member)?.diameter;
  const across = hubAcross(wheel);
  if (arbor === undefined || across === undefined) return [];
  const screw = grubScrewFor(arbor, across);
  if (!screw) {
    const wider = widerFor(arbor);
    return [
      finding('hub-too-narrow', 'warn', 'plan', [wheel.id], { across, least: wider }, [
        fix('set-hub-across', wheel.id, wider),
      ]),
    ];
  }
  const least = leastHeight(screw);
  if (hub)
    return hub.height >= least - 1e-9
      ? []
      : [
          finding(
            'hub-too-low',
            'warn',
            'plan',
            [wheel.id],
            { height: hub.height, least, screw: screw.thread.name },
            [fix('set-hub-height', wheel.id, least)],
          ),
        ];
  const thick = wheel.thickness ?? parts.machine.stack.thickness;
  if (thick >= least) return [];
  const data = { screw: screw.thread.name, thick, least };
  return [finding('screw-wants-hub', 'warn', 'plan', [wheel.id], data, [fix('give-hub', wheel.id, least)])];
}

const leastHeight = ({ thread }: GrubScrew): number => thread.diameter + 2 * BESIDE_THREAD;

/** The narrowest hub, in half millimetres, that holds a grub screw for an arbor, across, mm. */
function widerFor(arbor: number): number {
  let across = Math.ceil(2 * arbor) / 2;
  while (!grubScrewFor(arbor, across)) across += 0.5;
  return across;
}
