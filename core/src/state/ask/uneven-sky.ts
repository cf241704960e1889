import type { Aim } from '../../document/machine/index.ts';
import { toNumber } from '../../ground/rational/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import { bodyOf } from './sky-reading.ts';

/**
 * What an output is to follow that runs unevenly, so that no uniform train can: a sundial’s day, or a body on its
 * ellipse.
 */
export type Uneven =
  { readonly kind: 'sundial' } | { readonly kind: 'body'; readonly name: string; readonly swing: number };

const DAY = 86400;

/** Whether an output follows the Sun’s time or a body of the sky, and how far those swing. */
export function unevenSky(aim: Aim): Uneven | undefined {
  const body = bodyOf(aim);
  if (body) return { kind: 'body', name: body.name, swing: body.swing };
  const wanted = parseWanted(aim.wanted);
  if (!wanted.ok || wanted.value.kind !== 'period') return undefined;
  const turns = DAY / toNumber(wanted.value.seconds);
  return turns > 0.999 && turns < 25 && Math.abs(turns - Math.round(turns)) < 1e-9
    ? { kind: 'sundial' }
    : undefined;
}
