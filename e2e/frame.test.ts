import { expect } from 'chai';
import { derive } from '../core/src/state/derive/index.ts';
import { type Machine, readMachine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { type App, archive, arrange, choose, emptyMachine, go, startApp, type } from './app.ts';

describe('a machine that stands', function () {
  this.timeout(180_000);
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('four bodies on one lay arbor, from an empty machine to its bags: frame, bearings, pieces, arms', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Four');
    await go(page, 'train');
    await arrange(page, 'branches', undefined, 'branches', '15:45, 18:42, 20:40, 24:36');
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await page.locator('[data-test=plates] input').check();
    await page.click('[data-test=plan-layers]');
    await page.click('[data-test=find-layers]');
    await page.click('[data-test=fit-bores]');
    await go(page, 'run');
    await page.click('[data-test=run-dials]');
    for (let i = 1; i <= 4; i++) {
      await choose(page, 'add-on', new RegExp(`Branch output ${i}$`));
      await page.click('[data-test=add-body]');
      await type(page, 'body-distance', String([48, 76, 62, 34][i - 1]));
    }
    await page.locator('[data-test=body-weight] input').check();
    await page.locator('[data-test=balance]', { hasText: 'g·mm' }).waitFor();
    await page.click('[data-test=one-plane]');
    await page.locator('[data-test=not-level]', { hasText: 'passes over another ball' }).waitFor();
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await choose(page, 'plate-shape', 'round the wheels');
    for (let i = 1; i <= 3; i++) {
      await page.click('[data-test=add-pillar]');
      await page
        .locator('[data-test=pillar]')
        .nth(i - 1)
        .waitFor();
    }
    await page.locator('[data-test=feet] input').check();
    await page.locator('[data-test=foot-height]').waitFor();
    const bearing = page.locator('[data-test=bearing] .v-select').first();
    await bearing.click();
    await page.getByRole('option', { name: /^684:/ }).click();
    await go(page, 'teeth');
    await choose(page, 'pieces', 'in 2 equal pieces');
    await go(page, 'make');
    await page.click('[data-test=make-files]');
    await type(page, 'archive-sets', '2');
    const { machine, files } = await archive<Machine>(page);
    const names = Object.keys(files);
    const text = (end: string): string => new TextDecoder().decode(files[names.find(n => n.endsWith(end))!]);
    expect(
      names.some(n => /lists\/bags.*\.pdf$/.test(n)),
      names.join('\n'),
    ).to.equal(true);
    expect(text('assembly.step')).to.match(/NEXT_ASSEMBLY_USAGE_OCCURRENCE/);
    expect(text('hardware.csv')).to.match(/^ball bearing,.*684: 4 by 9 by 2.5, ISO 15/m);
    expect(text('hardware.csv').match(/^ball,/gm)).to.have.length(4);
    expect(
      names.some(n => /one-of-2-pieces/.test(n)),
      names.join('\n'),
    ).to.equal(true);
    const d = derive(must(readMachine(JSON.stringify(machine))));
    expect(d.findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
    expect(machine.layout.plates).to.deep.include({ shape: 'round the wheels' });
    expect(errors).to.deep.equal([]);
  });

  it('stands on a plank, or between plates of which one lifts off; a hand sits by a screw; back again', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Plank');
    await go(page, 'train');
    await arrange(page, 'branches', undefined, 'branches', '15:45, 18:42');
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await page.locator('[data-test=plates] input').check();
    await page.locator('[data-test=plates-of-plank] input').check();
    await page.locator('[data-test=holes] tr', { hasText: 'rod' }).nth(1).waitFor();
    expect(
      await page.locator('[data-test=feet], [data-test=lifts-off], [data-test=add-pillar]').count(),
    ).to.equal(0);
    // On a base: too small, it tips, and is mended.
    await page.locator('[data-test=base] input').check();
    await type(page, 'base-across', '20');
    await page.getByRole('button', { name: /^A base/ }).click();
    await page.locator('[data-test=holes] tr', { hasText: 'column' }).waitFor();
    await page.click('[data-test=plan-layers]');
    await page.click('[data-test=find-layers]');
    await page.click('[data-test=fit-bores]');
    await go(page, 'run');
    await page.click('[data-test=run-dials]');
    await choose(page, 'add-on', /Branch output 1$/);
    await page.click('[data-test=add-hand]');
    await choose(page, 'indicator-hold', 'a grub screw in a boss');
    await go(page, 'make');
    await page.click('[data-test=make-files]');
    const { machine, files } = await archive<Machine>(page);
    const planked = must(readMachine(JSON.stringify(machine)));
    expect(derive(planked).findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
    const names = Object.keys(files);
    expect(names.some(n => /parts\/back-plate.*\.dxf/.test(n))).to.equal(true);
    expect(names.filter(n => /front-plate/.test(n))).to.deep.equal([]);
    expect(names.some(n => /parts\/base.*\.dxf/.test(n))).to.equal(true);
    expect(new TextDecoder().decode(files['lists/parts.csv'])).to.match(/^column,/m);
    expect(new TextDecoder().decode(files['read-me.txt']), 'a laser makes no column').to.match(/column/);
    const hardware = new TextDecoder().decode(files['lists/hardware.csv']);
    expect(hardware)
      .to.match(/grub screw,M2.5,4/)
      .and.match(/DIN 6799/);
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await page.locator('[data-test=plates-of-two] input').check();
    await page.click('[data-test=add-pillar]');
    await page.locator('[data-test=lifts-off] input').check();
    await page.click('[data-test=side-front]');
    await page.locator('[data-test=holes] tr', { hasText: '6.10' }).waitFor();
    await page.click('[data-test=undo]');
    await page.locator('[data-test=holes] tr', { hasText: '5.95' }).waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('holds an arbor beyond bevels in two brackets on the back plate, which are parts with files', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Bevels');
    await go(page, 'train');
    await arrange(page, 'compound', undefined, 'stages', '24:24');
    await page.locator('[data-test=elevation] [aria-label^="Reduction output wheel"]').first().click();
    await page.keyboard.press('r');
    await choose(page, 'mesh-kind', 'bevels');
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await page.locator('[data-test=plates] input').check();
    await page.click('[data-test=side-back]');
    await page.locator('[data-test=holes] tr', { hasText: 'bracket, Reduction output' }).nth(1).waitFor();
    const { machine, files } = await archive<Machine>(page);
    const names = Object.keys(files);
    for (const kind of ['svg', 'dxf', 'step'])
      expect(
        names.filter(n => n.startsWith('parts/bracket') && n.endsWith(kind)),
        kind,
      ).to.have.length(1);
    const drill = new TextDecoder().decode(files[names.find(n => /drilling.*\.csv$/.test(n))!]);
    expect(drill.match(/bracket, Reduction output/g)).to.have.length(2);
    expect(derive(must(readMachine(JSON.stringify(machine)))).layout.brackets).to.have.length(2);
    expect(errors).to.deep.equal([]);
  });
});
