import type { Manifold } from 'manifold-3d';
import type { Path } from '../../ground/geometry/index.ts';
import { compensated, type Growth } from '../process/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { extrude, type SolidKit } from './kit.ts';

/** A part that is neither wheel nor plate nor cut to length: what it is, and how its body is made. */
export interface ExtraPart {
  readonly id: string;
  readonly kind:
    'knob' | 'pin' | 'clip' | 'pinion' | 'cap' | 'peg wheel' | 'eccentric' | 'output' | 'pillar' | 'key';
  readonly name: string;
  readonly number: number;
  readonly make: (kit: SolidKit, growth: Growth) => Result<Manifold>;
}

/** Grown paths drawn up. */
export function flat(
  kit: SolidKit,
  outline: Path,
  holes: readonly Path[],
  height: number,
  growth: Growth,
  chordError: number,
): Result<Manifold> {
  const paths = compensated(outline, holes, growth, chordError);
  return paths.ok ? ok(extrude(kit, paths.value, height, chordError)) : paths;
}
