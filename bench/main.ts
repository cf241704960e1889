import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { deriveWhole } from './whole.ts';
import { setWheel } from '../core/src/edits/change/index.ts';
import { branchesBench } from './branches.ts';
import { browserBench } from './browser.ts';
import { clock, report } from './clock.ts';
import { countsBench } from './counts.ts';
import { linkageBench } from './linkages.ts';
import { layoutBench } from './layout.ts';
import { planetaryBench } from './planetary.ts';
import { makingBench } from './making.ts';
import { runBench } from './run.ts';
import { sixtyWheels } from './sixty-wheels.ts';
import { teethBench } from './teeth.ts';
import { trainsBench } from './trains.ts';

countsBench();
branchesBench();
planetaryBench();
trainsBench();
teethBench();
layoutBench();
runBench();
linkageBench();
await makingBench();

const machine = sixtyWheels();
const all = clock(() => deriveWhole(machine));
const before = deriveWhole(machine);
let shift = 0;
const edit = clock(() => {
  shift += 0.01;
  deriveWhole(setWheel('a7', { shift })(machine), before);
});
report('60 wheels, an edit of one', edit, 'all made anew, outlines too', all);

if (existsSync(join(import.meta.dirname, '../web/dist/index.html')) && existsSync('/usr/bin/chromium'))
  await browserBench();
else console.log('browser: skipped, build the application first (npm start, or npx vite build web)');
