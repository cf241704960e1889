import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { type App, archive, arrange, choose, emptyMachine, go, startApp, type } from './app.ts';

interface Saved {
  readonly toothings: readonly {
    id: string;
    name: string;
    form: { kind: string; drives?: string };
    size: object;
  }[];
  readonly wheels: readonly { id: string; name: string; toothing: string; role: string; member: string }[];
  readonly members: readonly { id: string; name: string }[];
  readonly joints: readonly { kind: string; type?: string; a: string; b: string }[];
  readonly aims: readonly { tolerance: object; wanted: string }[];
}

/** Looks at a mesh by what one of its wheels is called and gives it teeth of its own. */
async function ownTeeth(page: Page, mesh: RegExp): Promise<void> {
  await choose(page, 'mesh', mesh);
  await page.locator('[data-test=teeth-like]').waitFor();
  await choose(page, 'teeth-like', 'teeth of its own');
}

describe('a new user, from an empty machine', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('builds a clock of five stages with five modules, and motion work formed for a driving pinion', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Five modules');
    await go(page, 'train');
    await arrange(page, 'compound', undefined, 'stages', '80:10, 75:10, 72:9, 64:8, 60:8');
    await arrange(page, 'motion-work', 'Reduction arbor 1', 'pairs', '15:45, 12:48');
    await page.locator('[data-test=rates]', { hasText: 'Hour tube' }).waitFor();
    // Stage one multiplies by 8 and turns the sense; motion work divides by 12.
    expect(await page.locator('[data-test=rates]').innerText()).to.match(/Hour tube\s*↻ 2\/3/);

    await go(page, 'teeth');
    const modules = ['1.4', '1.2', '1', '0.8', '0.7'];
    const first = [
      'Drive wheel \\(80',
      ...['75', '72', '64', '60'].map((n, i) => `arbor ${i + 1} wheel \\(${n}`),
    ];
    for (const [i, module] of modules.entries()) {
      await ownTeeth(page, new RegExp(`${first[i]}\\)`));
      await type(page, 'module', module);
    }
    await ownTeeth(page, /^Reduction arbor 1 wheel \(15\)/);
    await choose(page, 'tooth-form', 'clock, cycloidal');
    await page.locator('[data-test=finding-pinion-drives] [data-test=fix]').first().click();
    await page.locator('[data-test=finding-pinion-drives]').first().waitFor({ state: 'detached' });

    const { machine, files } = await archive<Saved>(page);
    const of = (member: string, count: string): Saved['toothings'][number] => {
      const id = machine.members.find(m => m.name === member)!.id;
      const wheel = machine.wheels.find(
        w => w.member === id && JSON.stringify(w).includes(`"count":${count}`),
      )!;
      return machine.toothings.find(t => t.id === wheel.toothing)!;
    };
    const sizes = [
      ['Drive', '80'],
      ['Reduction arbor 1', '75'],
      ['Reduction arbor 2', '72'],
      ['Reduction arbor 3', '64'],
      ['Reduction arbor 4', '60'],
    ].map(([member, count]) => of(member!, count!).size);
    expect(sizes).to.deep.equal(modules.map(m => ({ by: 'module', module: Number(m) })));
    expect(of('Reduction arbor 1', '15').form).to.include({ kind: 'cycloidal', drives: 'pinion' });
    expect(of('Drive', '80').form.kind, 'the rest stays as it was').to.equal('involute');
    expect(new Set(machine.wheels.map(w => w.toothing)).size).to.be.at.least(7);
    // The working beside it says the same centres: 1.4 · (80 + 10) / 2 and 0.7 · (60 + 8) / 2.
    const working = new TextDecoder().decode(files['working.txt']);
    expect(working).to.contain('63.000').and.to.contain('23.800');
    expect(errors).to.deep.equal([]);
  });

  it('puts spur, pegs and bevels into one machine, in single steps that go back', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Three kinds');
    await go(page, 'train');
    await arrange(page, 'compound', undefined, 'stages', '20:40, 12:24, 16:32');
    await go(page, 'teeth');
    await ownTeeth(page, /^Reduction arbor 1 wheel \(12\)/);
    await choose(page, 'tooth-form', 'pegs at right angles');
    await page.locator('[data-test=teeth-like]', { hasText: 'Teeth 2' }).waitFor();
    await go(page, 'train');
    await page.locator('[data-test=elevation] [aria-label^="Reduction output wheel"]').first().click();
    await page.keyboard.press('r');
    await choose(page, 'teeth-like', 'teeth of its own');
    await choose(page, 'mesh-kind', 'bevels');
    const { machine } = await archive<Saved>(page);
    const types = machine.joints.map(j => j.type);
    expect(types).to.deep.equal(['external', 'pegs', 'bevel']);
    const formsOf = machine.joints.map(j => {
      const wheel = machine.wheels.find(w => w.id === j.a)!;
      return machine.toothings.find(t => t.id === wheel.toothing)!.form.kind;
    });
    expect(formsOf).to.deep.equal(['involute', 'pegs', 'involute']);
    expect(new Set(machine.wheels.map(w => w.toothing)).size).to.equal(3);
    for (let i = 0; i < 4; i++) await page.click('[data-test=undo]');
    await go(page, 'teeth');
    await choose(page, 'mesh', /^Reduction arbor 1 wheel \(12\)/);
    await page.getByText('shared by 6 wheels').waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('drives a rack by its length: it stands in mesh in the plan, and its files and lists say the same', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Racked');
    await go(page, 'train');
    await page.click('[data-test=first-wheel]');
    await type(page, 'count-wheel1', '24');
    await choose(page, 'onward-kind', 'rack');
    await choose(page, 'rack-by', 'by length');
    await type(page, 'onward-length', '200');
    await page.locator('[data-test=rack-said]', { hasText: '32 teeth, 201.06 mm' }).waitFor();
    await page.click('[data-test=drive-new]');
    await page.locator('[data-test=arbor-tools]', { hasText: '24 teeth, 150.80 mm' }).waitFor();
    await go(page, 'plan');
    await page.locator('[data-test=distances]', { hasText: '24.000' }).waitFor();
    const { files } = await archive<Saved>(page);
    const parts = new TextDecoder().decode(files['lists/parts.csv']);
    expect(parts).to.match(/rack/);
    const name = Object.keys(files).find(n => n.startsWith('drawings/') && n.endsWith('.svg'))!;
    const plan = new TextDecoder().decode(files[name]);
    expect(plan).to.contain('Pitch line of');
    expect(plan).to.contain('Pitch circle of');
    expect(errors).to.deep.equal([]);
  });

  it('hangs an orrery arm on the arbor that is chosen, and says what it will turn', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Arm');
    await go(page, 'train');
    await arrange(page, 'compound', undefined, 'stages', '15:60');
    await page.click('[data-test=add-ready]');
    await page.click('[data-test=ready-orrery-arm]');
    await page.locator('[data-test=ready-rates]', { hasText: '254/19' }).waitFor();
    await choose(page, 'ready-on', 'Reduction output');
    // A quarter as fast and the other way: 254/76.
    await page.locator('[data-test=ready-rates]', { hasText: '127/38' }).waitFor();
    await page.click('[data-test=ready-add]');
    await page.locator('[data-test=rates]', { hasText: 'Moon arm' }).waitFor();
    expect(await page.title(), 'the tab says what is open').to.equal('Arm · Train · Tesseron');
    expect(await page.locator('[data-test=rates]').innerText()).to.contain('127/38');
    const { machine } = await archive<Saved>(page);
    expect(machine.members.map(m => m.name)).to.include('Moon arm');
    await page.click('.mark');
    await page.waitForSelector('[data-test=shelf]');
    expect(await page.title()).to.equal('Tesseron');
    expect(errors).to.deep.equal([]);
  });

  it('understands ratios, beats and ways as people say them, and says what it understood', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Words');
    await page.click('[data-test=add-aim]');
    const says = (text: string | RegExp): Promise<void> =>
      page.locator('[data-test=aim-wanted]', { hasText: text }).waitFor();
    await type(page, 'aim-wanted', '4:1');
    await says('1/4 = 0.25');
    await type(page, 'aim-wanted', '12 to 1');
    await says('1/12');
    await type(page, 'aim-wanted', '60/1');
    await says('60 = 60');
    // Twelve hours of the drive over 7.5 s of an escape wheel with 15 teeth at 4 beats a second.
    await type(page, 'aim-wanted', '4 beats per second with 15 teeth');
    await says('5760');
    await type(page, 'aim-wanted', '240 beats per minute with 15 teeth');
    await says('5760');
    await type(page, 'aim-wanted', '14400 an hour with 15 teeth');
    await says('5760');
    await type(page, 'drive-travel', '0.5 m round');
    await type(page, 'aim-wanted', '1 per 100 m');
    await says('1/200');
    await type(page, 'aim-amount', '5 m');
    await page.locator('[data-test=aim-amount]', { hasText: '5.00 m = 18.0°' }).waitFor();
    await type(page, 'aim-over', '1000 m');
    const { machine } = await archive<Saved>(page);
    expect(machine.aims[0]).to.deep.include({
      wanted: '1 per 100 m',
      tolerance: { amount: '5 m', over: '1000 m' },
    });
    expect(errors).to.deep.equal([]);
  });
});
