import { inPlaceSets } from '../../place/layout/index.ts';
import { derive } from '../../state/derive/index.ts';
import { runCutter, runPrinter } from '../../making/dry-run/index.ts';
import { writeStl, writeThreeMf, writeZip } from '../format/index.ts';
import type { TriMesh } from '../../ground/geometry/index.ts';
import { byId, processOf } from '../../document/machine/index.ts';
import { problem } from '../../ground/result/index.ts';
import {
  couponBodies,
  isBought,
  partMaker,
  type SolidKit,
  solidParts,
  spaceScene,
} from '../../making/solid/index.ts';
import { batchesOf, type LaidBatch, layOutBatch } from '../../making/workshop/index.ts';
import { allFiles } from './all-files.ts';
import type { MakeAnswers, MakeNews, MakeRequest, MakeTask } from './make-request.ts';
import { within } from './news.ts';
import { inPlaceFile, printedParts, printedPlates } from './printed.ts';

type Of<T extends MakeTask> = Extract<MakeRequest, { task: T }>;
/** Loads the library of bodies; only what needs it asks for it. */
type Load = () => Promise<SolidKit>;
type Work<T extends MakeTask> = AsyncGenerator<MakeNews, MakeAnswers[T]>;

/** How near to their true surfaces bodies are drawn, mm: enough for the eye. */
const DRAWN = 0.06;
/** How near to their true lines coupons are made, mm. */
const COUPON = 0.005;

const TASKS: { readonly [T in MakeTask]: (request: Of<T>, load: Load) => Work<T> } = {
  sheets,
  solid,
  plates,
  'in place': inPlace,
  coupon,
  space,
  archive,
  cut,
  print,
};

/** Long work of making as a job: how far it is on the way, and its answer. Throws what the library of bodies throws. */
export const makeJob = <T extends MakeTask>(request: Of<T>, load: Load): Work<T> =>
  (TASKS[request.task as T] as (request: Of<T>, load: Load) => Work<T>)(request, load);

async function* sheets({ machine, sets }: Of<'sheets'>): Work<'sheets'> {
  const derived = derive(machine);
  const { batches, left } = batchesOf(derived);
  const laid: LaidBatch[] = [];
  for (const [i, batch] of batches.entries())
    laid.push(
      yield* within(
        layOutBatch(derived, batch, sets),
        i / batches.length,
        1 / batches.length,
        () => batch.process.name,
      ),
    );
  return { laid, left };
}

async function* solid({ machine, part }: Of<'solid'>, load: Load): Work<'solid'> {
  const kit = await load();
  const derived = derive(machine);
  const found = byId(solidParts(derived), part);
  if (!found) return { left: [{ name: part, problem: problem('part-unknown', { part }) }] };
  const { made, left } = yield* printedParts(derived, kit, [found]);
  const [body] = made;
  return body ? { file: writeStl(body.mesh, found.name), left } : { left };
}

async function* plates({ machine, process }: Of<'plates'>, load: Load): Work<'plates'> {
  const kit = await load();
  const derived = derive(machine);
  const printer = byId(machine.processes, process);
  const own = solidParts(derived).filter(
    p => p.number > 0 && !isBought(p) && processOf(machine, p.id)?.id === process,
  );
  const { made, left } = yield* within(printedParts(derived, kit, own), 0, 0.8);
  if (!printer) return { files: [], left };
  const laid = yield* within(printedPlates(derived, printer, made), 0.8, 0.15);
  return { files: laid.files, left: [...left, ...laid.left] };
}

async function* inPlace({ machine, set }: Of<'in place'>, load: Load): Work<'in place'> {
  const kit = await load();
  const found = byId(inPlaceSets(machine), set);
  if (!found) return { left: [{ name: set, problem: problem('part-unknown', { part: set }) }] };
  yield { done: 0.1, doing: found.name };
  const file = inPlaceFile(derive(machine), kit, found);
  return file.ok ? { file: file.value, left: [] } : { left: [{ name: found.name, problem: file.problem }] };
}

async function* coupon({ drawing, process, raw }: Of<'coupon'>, load: Load): Work<'coupon'> {
  const kit = await load();
  yield { done: 0.5, doing: drawing.title };
  return { file: writeThreeMf(couponBodies(kit, drawing, process, raw, COUPON), drawing.title) };
}

async function* space({ machine }: Of<'space'>, load: Load): Work<'space'> {
  const kit = await load();
  const derived = derive(machine, undefined, DRAWN);
  const scene = spaceScene(derived);
  const make = partMaker(kit, derived);
  const bodies = new Map<string, TriMesh>();
  const wanted = [...new Set(scene.items.map(i => i.body))];
  for (const [i, id] of wanted.entries()) {
    yield { done: i / wanted.length, doing: scene.items.find(item => item.body === id)?.name ?? '' };
    const mesh = make({ id, name: id });
    if (mesh.ok) bodies.set(id, mesh.value);
  }
  return { scene, bodies };
}

async function* archive({ machine, paper, sets }: Of<'archive'>, load: Load): Work<'archive'> {
  const job = allFiles(derive(machine), await load(), { paper, sets });
  for (;;) {
    const step = await job.next();
    if (step.done) {
      const { files, left } = step.value;
      return { file: writeZip(files), files: files.size, left };
    }
    yield { ...step.value, done: 0.95 * step.value.done };
  }
}

async function* cut({ file, cutter }: Of<'cut'>): Work<'cut'> {
  yield { done: 0, doing: file.name };
  return runCutter(file, cutter);
}

async function* print({ file, printer }: Of<'print'>): Work<'print'> {
  return yield* within(runPrinter(file, printer), 0, 1, () => file.name);
}
