import type { Finding } from '../../ground/result/index.ts';
import { clearanceFindings } from './clearance-findings.ts';
import type { Clearance } from './clearances.ts';
import { type Extent, type LayoutParts, type SolidParts } from './solids.ts';
import { type Spans, spansOf } from './spans.ts';
import { type Stack, stackOf } from './stack.ts';
import { type TubeSize, tubeFindings, tubeSizes } from './tubes.ts';
import type { Piece } from './pieces.ts';
import type { PillarShape } from './pillars.ts';
import type { Plate } from './plate-holes.ts';
import { plateFindings } from './plates.ts';
import { dialFindings } from './dial-screws.ts';
import { fittingFindings } from './fittings.ts';
import { type Bracket, bracketFindings } from './brackets.ts';
import { crossingAxes } from './crossing-axes.ts';
import { hubFindings } from './hub-findings.ts';
import { lugRods, standingLugs } from './ring-mounts.ts';
import { supportFindings } from './support.ts';
import type { MotionParts } from './turning.ts';

/** What follows for the layout: heights, tubes, and what comes how near to what. */
export interface LayoutState {
  readonly stack: Stack;
  readonly spans: Spans;
  readonly sizes: ReadonlyMap<string, TubeSize>;
  readonly clearances: readonly Clearance[];
  readonly plates: readonly Plate[];
  /** Uprights for arbors that lie across the plates. */
  readonly brackets: readonly Bracket[];
  /** Rods, tubes, spacers and washers. */
  readonly pieces: readonly Piece[];
  /** Rods through the lugs of standing rings. */
  readonly lugRods: readonly PillarShape[];
  readonly findings: readonly Finding[];
}

/** Heights, nested tubes and what they are reckoned from, before anything is held against anything. */
export function layoutParts(
  machine: SolidParts,
  motion: Omit<MotionParts, 'machine'>,
  extents: Readonly<Record<string, Extent>>,
): LayoutParts {
  const stack = stackOf(machine);
  const crossing = crossingAxes(machine, motion.at, stack);
  const spans = spansOf(machine, stack, crossing);
  const lugs = standingLugs(machine, motion.at, extents);
  return {
    ...{
      machine,
      motion: { machine, ...motion },
      stack,
      spans,
      crossing,
      sizes: tubeSizes(machine, spans),
      extents,
    },
    ...{ lugs, lugRods: lugRods(lugs, stack) },
  };
}

/** What is judged of a layout: clearances, tubes, plates, what holds the arbors. */
export const layoutFindings = (
  parts: LayoutParts,
  clearances: readonly Clearance[],
  plates: readonly Plate[],
  brackets: readonly Bracket[],
): readonly Finding[] => [
  ...clearanceFindings(parts.machine, clearances, parts.stack),
  ...tubeFindings(parts.machine, parts.spans, parts.sizes),
  ...plateFindings(parts, plates),
  ...fittingFindings(parts, plates),
  ...dialFindings(parts, plates),
  ...supportFindings(parts, brackets),
  ...bracketFindings(
    parts,
    brackets,
    plates.find(p => p.side === 'front'),
  ),
  ...hubFindings(parts),
];
