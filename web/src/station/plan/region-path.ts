import { cornersOf } from '@tesseron/core/layout';
import type { Region } from '@tesseron/core/machine';

/** A region as path data, y downwards. */
export function regionPath(region: Region): string {
  if (region.kind === 'circle') {
    const r = region.diameter / 2;
    return `M${region.x - r} ${-region.y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
  }
  return `M${cornersOf(region)
    .map(p => `${p.x} ${-p.y}`)
    .join('L')}Z`;
}
