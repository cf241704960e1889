import { derive } from '@tesseron/core/derive';
import { driftCourse } from '@tesseron/core/ask';
import { readMachine } from '@tesseron/core/machine';
import { rational, toNumber } from '@tesseron/core/rational';
import { must } from '@tesseron/core/result';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { dateAfter, dateAt, turnsAtDate } from '../../run/readings';
import { driftChart } from './drift-chart';

const file = readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8');
const derived = derive(must(readMachine(file)));
const { machine } = derived;
const courses = machine.aims.map(a => ({
  id: a.id,
  course: driftCourse(derived.aims[a.id]!, derived.driveSeconds)!,
}));
const ROOM = { width: 900, height: 600 };

describe('the chart of drifts', () => {
  it('has a straight line for every output from nought, and stays in its room', () => {
    const chart = driftChart(courses, 100, ROOM);
    expect(chart.lines.length).to.equal(courses.length);
    for (const l of chart.lines) {
      expect(l.d.startsWith(`M56 ${chart.zero}`)).to.equal(true);
      expect(l.end.y).to.be.within(0, ROOM.height);
    }
  });

  it('rings the year in which each leaves what is allowed', () => {
    for (const { id, course } of courses) {
      const years = toNumber(course.leavesAfter!) / 31557600;
      const at = (over: number): boolean =>
        driftChart(courses, over, ROOM).lines.find(l => l.id === id)!.leaves !== undefined;
      expect([at(years * 1.1), at(years * 0.9)]).to.deep.equal([true, false]);
    }
  });

  it('draws the drift of a year twice as high as that of half of it', () => {
    const [one] = courses;
    const chart = driftChart([one!], 10, ROOM);
    const [line] = chart.lines;
    const perPixel = (toNumber(one!.course.perDay) * 3652.5) / (chart.zero - line!.end.y);
    const [a, b] = [chart.degrees[0]!, chart.degrees.at(-1)!];
    const value = (t: string): number => Number.parseFloat(t.replace('−', '-'));
    expect((value(b.text) - value(a.text)) / (a.y - b.y)).to.be.closeTo(perPixel, Math.abs(perPixel) * 1e-9);
  });
});

describe('dates of a machine', () => {
  it('are those of its turns, there and back, exactly, a million years of turns away from doubles', () => {
    const turns = must(turnsAtDate(machine, derived.driveSeconds, '12026-03-01 06:30'));
    expect(dateAt(machine, derived.driveSeconds, turns)).to.equal('12026-03-01 06:30');
    expect(must(turnsAtDate(machine, derived.driveSeconds, '2026-01-02'))).to.deep.equal({
      whole: 2n,
      part: 0,
    });
    expect(must(turnsAtDate(machine, derived.driveSeconds, '2025-12-31 18:00'))).to.deep.equal({
      whole: -1n,
      part: 0.5,
    });
  });

  it('are refused for what is no date, for a drive without a period, and a machine without a start', () => {
    const code = (
      m: Parameters<typeof turnsAtDate>[0],
      drive: typeof derived.driveSeconds,
      text: string,
    ): string => {
      const turns = turnsAtDate(m, drive, text);
      return turns.ok ? '' : turns.problem.code;
    };
    expect(code(machine, derived.driveSeconds, 'soon')).to.equal('date-unreadable');
    expect(code(machine, undefined, '2026-01-01')).to.equal('date-needs-clock');
    expect(code({}, derived.driveSeconds, '2026-01-01')).to.equal('date-needs-start');
  });

  it('after a time are counted on from the start', () => {
    expect(dateAfter(machine, rational(86400n * 59n))).to.equal('2026-03-01 00:00');
    expect(dateAfter({}, rational(1n))).to.equal(undefined);
  });
});
