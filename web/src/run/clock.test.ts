import { newMachine } from '@tesseron/core/machine';
import { loopFrom } from '@tesseron/core/motion';
import { rational, toNumber } from '@tesseron/core/rational';
import { expect } from 'chai';
import { createPinia, setActivePinia } from 'pinia';
import { useClock } from './clock';
import { dateAt, exactSecondsAt, secondsRun, startSeconds, turnsAtDate } from './readings';

/** Frames by hand: the page’s clock stands until it is told. */
function frames(): (milliseconds: number) => void {
  let now = 0;
  let next: ((time: number) => void) | undefined;
  Object.assign(globalThis, {
    requestAnimationFrame: (f: (time: number) => void) => {
      next = f;
      return 1;
    },
    cancelAnimationFrame: () => (next = undefined),
  });
  Object.defineProperty(performance, 'now', { value: () => now, configurable: true });
  return milliseconds => {
    now += milliseconds;
    next?.(now);
  };
}

describe('the clock of all stations', () => {
  let pass: (milliseconds: number) => void;
  beforeEach(() => {
    setActivePinia(createPinia());
    pass = frames();
  });
  // The page's clock goes on for what runs after this in the same process.
  afterEach(() => {
    Reflect.deleteProperty(performance, 'now');
    Reflect.deleteProperty(globalThis, 'requestAnimationFrame');
    Reflect.deleteProperty(globalThis, 'cancelAnimationFrame');
  });

  it('runs at its speed, forwards and back, and stops', () => {
    const clock = useClock();
    clock.speed = 0.5;
    clock.run();
    for (let i = 0; i < 10; i++) pass(100);
    expect(clock.total).to.be.closeTo(0.5, 1e-9);
    clock.backwards = true;
    for (let i = 0; i < 20; i++) pass(100);
    expect(clock.total).to.be.closeTo(-0.5, 1e-9);
    clock.stop();
    pass(1000);
    expect(clock.total).to.be.closeTo(-0.5, 1e-9);
  });

  it('takes no leap after a long frame: a page that was hidden goes on where it was', () => {
    const clock = useClock();
    clock.speed = 1;
    clock.run();
    pass(60_000);
    expect(clock.total).to.be.closeTo(0.25, 1e-9);
  });

  it('stays within its loop, and runs on when it is ended', () => {
    const clock = useClock();
    clock.set({ whole: 7n, part: 0.5 });
    clock.loop = loopFrom(clock.turns, rational(1n, 4n));
    clock.speed = 1;
    clock.run();
    for (let i = 0; i < 50; i++) {
      pass(70);
      expect(clock.total).to.be.within(7.5, 7.75 + 1e-9);
    }
    clock.loop = undefined;
    for (let i = 0; i < 10; i++) pass(100);
    expect(clock.total).to.be.above(8);
  });

  it('begins at nought with another machine, and goes on with the same', () => {
    const clock = useClock();
    clock.runs('a');
    clock.turnBy(2.5);
    clock.runs('a');
    expect(clock.total).to.equal(2.5);
    clock.loop = loopFrom(clock.turns, rational(1n));
    clock.runs('b');
    expect(clock.total).to.equal(0);
    expect(clock.loop).to.equal(undefined);
  });

  it('steps as far as it is told, either way', () => {
    const clock = useClock();
    clock.stepSize = 1 / 80;
    clock.step(1);
    clock.step(1);
    clock.step(-1);
    expect(clock.total).to.be.closeTo(1 / 80, 1e-12);
  });
});

describe('dates of a machine', () => {
  const hour = rational(3600n);
  const clock = { ...newMachine('m'), start: '2026-01-01T00:00:00Z' };

  it('turns and dates go to and fro exactly, before and after the start', () => {
    for (const text of ['2026-03-01 06:30', '1999-12-31 23:59', '2000-02-29 00:00']) {
      const turns = turnsAtDate(clock, hour, text);
      expect(turns.ok && dateAt(clock, hour, turns.value)).to.equal(text);
      const seconds = turns.ok ? exactSecondsAt(clock, hour, turns.value) : undefined;
      expect(Math.round(toNumber(seconds!)) % 60).to.equal(0);
    }
  });

  it('says what is missing: a drive that keeps time, or a start', () => {
    const code = (m: Parameters<typeof turnsAtDate>[0], s: typeof hour | undefined, text: string): string => {
      const r = turnsAtDate(m, s, text);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(code(clock, undefined, '2026-01-01')).to.equal('date-needs-clock');
    expect(code(newMachine('m'), hour, '2026-01-01')).to.equal('date-needs-start');
    expect(code(clock, hour, 'tomorrow')).to.equal('date-unreadable');
    expect(code(clock, hour, '-100001-01-01'), 'before the calendar').to.equal('date-out-of-range');
    expect(startSeconds(newMachine('m'))).to.equal(undefined);
    expect(exactSecondsAt(newMachine('m'), hour, { whole: 1n, part: 0 })).to.equal(undefined);
    expect(secondsRun(hour, { whole: 2n, part: 0.5 })).to.equal(9000);
  });
});
