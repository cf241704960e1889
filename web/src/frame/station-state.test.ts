import { READY } from '@tesseron/core/arrangements';
import { derive } from '@tesseron/core/derive';
import { newMachine } from '@tesseron/core/machine';
import { finding } from '@tesseron/core/result';
import { rational } from '@tesseron/core/rational';
import { expect } from 'chai';
import { rateColour } from '../draw/rate-colour';
import { DAY, NIGHT } from '../draw/tokens';
import { begun, countBySeverity, quiet } from './station-state';
import { STATIONS } from '../station/stations';

describe('the state of a station', () => {
  it('is the worst of its findings, counted', () => {
    const list = [
      finding('slips', 'note', 'plan', []),
      finding('no-drive', 'warn', 'plan', []),
      finding('not-driven', 'warn', 'plan', []),
    ];
    expect(countBySeverity(list)).to.deep.equal({ worst: 'warn', text: '2 to look at' });
    expect(countBySeverity([finding('meshes-itself', 'stop', 'plan', []), ...list]).text).to.equal(
      '1 to mend',
    );
    expect(countBySeverity(list.slice(0, 1)).text).to.equal('1 note');
  });

  it('is not begun for an empty machine, at every station', () => {
    const d = derive(newMachine('x'));
    for (const s of STATIONS) expect(begun(s.name, d), s.name).to.equal(false);
  });

  it('is fine only where something was looked at', () => {
    const empty = derive(newMachine('x'));
    for (const s of STATIONS) expect(quiet(s.name, empty), s.name).to.equal('not begun');
    const ready = READY.find(r => r.id === 'compound')!;
    const built = ready.build(newMachine('x'), { stages: '15:60, 15:60' });
    const d = derive(built.ok ? built.value : newMachine('y'));
    expect(quiet('teeth', d)).to.equal('fine');
    expect(quiet('plan', d)).to.equal('fine');
    expect(quiet('run', d), 'no hand, no dial').to.equal('not judged');
    const loose = derive({ ...d.machine, joints: [] });
    expect(quiet('teeth', loose), 'wheels that meet nothing').to.equal('not judged');
    const spiral = { kind: 'spiral', least: 10, most: 20 } as const;
    const untold = derive({
      ...d.machine,
      toothings: d.machine.toothings.map(t => ({ ...t, form: spiral })),
    });
    expect(quiet('make', untold), 'nothing of it is drawn').to.equal('not judged');
  });

  it('has a key of its own, in order', () => {
    expect(STATIONS.map(s => s.key)).to.deep.equal(['1', '2', '3', '4', '5', '6', '7']);
  });
});

/** Contrast of two colours by WCAG 2.1, relative luminance. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string): number => {
    const [r, g, bl] = [1, 3, 5].map(i => {
      const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * bl!;
  };
  const [x, y] = [luminance(a), luminance(b)].sort((m, n) => n - m);
  return (x! + 0.05) / (y! + 0.05);
}

describe('colours', () => {
  it('of text stand off ground and panel by AA (WCAG 2.1: 4.5 to 1), by day and by night', () => {
    for (const t of [DAY, NIGHT])
      for (const text of [t.ink, t.muted, t.accent, t.stop, t.warn, t.fine])
        for (const behind of [t.ground, t.panel])
          expect(contrast(text, behind), `${text} on ${behind}`).to.be.at.least(4.5);
  });

  it('of rates mean the same rate in either sense, and nothing for what stands still', () => {
    expect(rateColour(rational(1n, 12n), DAY.rate)).to.equal(rateColour(rational(-1n, 12n), DAY.rate));
    expect(rateColour(rational(0n), DAY.rate)).to.equal(undefined);
    expect(rateColour(undefined, DAY.rate)).to.equal(undefined);
    const scale = [-9, -2, 0, 1, 9].map(p =>
      rateColour(p < 0 ? rational(1n, 10n ** BigInt(-p)) : rational(10n ** BigInt(p)), DAY.rate),
    );
    expect(new Set(scale).size).to.equal(5);
    expect(rateColour(rational(1n, 10n ** 12n), DAY.rate), 'beyond the end it stays the end').to.equal(
      scale[0],
    );
  });
});
