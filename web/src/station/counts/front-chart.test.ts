import { describeCandidate } from '@tesseron/core/planting';
import { candidateOf } from '@tesseron/core/search';
import { rational } from '@tesseron/core/rational';
import { expect } from 'chai';
import { chartRows, layoutChart, MARGIN } from './front-chart';
import type { Row } from './use-count-search';

const row = (driving: number, driven: number, compromise: boolean): Row => ({
  ...describeCandidate(candidateOf([{ driving, driven }]), rational(1n, 2n), 'either', {
    module: 1,
    coaxial: 'none',
  }),
  key: `${driving}/${driven}`,
  compromise,
  asKnown: false,
});

describe('the chart of compromises', () => {
  const rows = [row(20, 40, true), row(20, 41, false), row(12, 25, true), row(12, 23, true)];

  it('puts less error lower and more teeth to the right, all inside its margins', () => {
    const { points } = layoutChart(rows, 700, 300, 100);
    const at = (key: string): { x: number; y: number } => points.find(p => p.row.key === key)!;
    expect(at('20/40').y).to.be.greaterThan(at('12/25').y);
    expect(at('20/40').x).to.be.greaterThan(at('12/25').x);
    for (const p of points) {
      expect(p.x).to.be.within(MARGIN.left - 0.01, 700 - MARGIN.right + 0.01);
      expect(p.y).to.be.within(MARGIN.top - 0.01, 300 - MARGIN.bottom + 0.01);
    }
  });

  it('draws an exact train on its lowest line, and the tolerance where it belongs', () => {
    const chart = layoutChart(rows, 700, 300, 100);
    const lowest = Math.max(...chart.points.map(p => p.y));
    expect(chart.points.find(p => p.row.key === '20/40')!.y).to.equal(lowest);
    expect(chart.toleranceY).to.be.within(MARGIN.top, lowest);
    expect(layoutChart(rows, 700, 300, undefined).toleranceY).to.equal(undefined);
  });

  it('leaves hopeless errors to the table, unless there is nothing else', () => {
    const far = [row(20, 10, true), row(30, 10, true)];
    expect(chartRows([...rows, ...far])).to.deep.equal(rows);
    expect(chartRows(far)).to.deep.equal(far);
  });

  it('has ticks with units', () => {
    const { yTicks, xTicks } = layoutChart(rows, 700, 300, 100);
    expect(yTicks.map(t => t.text).join(' ')).to.match(/ppm/);
    expect(yTicks.every(t => / (ppm|%)$/.test(t.text))).to.equal(true);
    expect(xTicks.length).to.be.greaterThan(2);
  });
});
