import { expect } from 'chai';
import { gapBetween } from './gap.ts';
import type { Solid } from './solids.ts';

const solid = (more: Partial<Solid>): Solid => ({
  ...{ kind: 'wheel', id: 'x', member: 'x', line: undefined, copy: 0, inner: undefined, outer: 4 },
  ...{ path: { x: 0, y: 0, vectors: [] }, band: { from: 0, to: 1 }, bar: undefined },
  ...more,
});
const bar = solid({
  ...{ kind: 'arm', id: 'arm', outer: 3 },
  bar: { to: { x: 20, y: 0 }, key: undefined, axis: 'a' },
});

describe('the gap between a bar and something round', () => {
  it('is to the side of the bar, less half its width and the round', () => {
    const beside = solid({ path: { x: 10, y: 12, vectors: [] } });
    expect(gapBetween(bar, beside).gap).to.be.closeTo(12 - 4 - 3, 1e-9);
    expect(gapBetween(beside, bar).gap).to.be.closeTo(12 - 4 - 3, 1e-9);
  });

  it('in a ring is what the farther end leaves of the clear room', () => {
    const ring = solid({ inner: 30, outer: 40 });
    expect(gapBetween(bar, ring).gap).to.be.closeTo(30 - 20 - 3, 1e-9);
    const aside = solid({ inner: 30, outer: 40, path: { x: -4, y: 0, vectors: [] } });
    expect(gapBetween(bar, aside).gap).to.be.closeTo(30 - 24 - 3, 1e-9);
  });
});
