import Module from 'manifold-3d';
import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { allFiles } from '@tesseron/core/archive';
import { derive } from '@tesseron/core/derive';
import { runCutter, runPrinter } from '@tesseron/core/dry';
import { writeStl, writeThreeMf, writeZip } from '@tesseron/core/format';
import type { TriMesh } from '@tesseron/core/geometry';
import { byId, processOf } from '@tesseron/core/machine';
import {
  bedPlates,
  couponBodies,
  inPlaceSets,
  isBought,
  type MadePart,
  partMaker,
  printedInPlace,
  printGrowth,
  type SolidKit,
  solidParts,
  spaceScene,
} from '@tesseron/core/solid';
import { batchesOf, layOutBatch } from '@tesseron/core/workshop';
import type { MakeAnswers, MakeMessage, MakeRequest, Named, NotMade } from './make-requests';

/** A mailbox round the long work of making: one request in, news of how far it is, one answer out. */
self.onmessage = async ({ data }: MessageEvent<MakeRequest>) => {
  const answer = await answerTo(data);
  self.postMessage({ answer } satisfies MakeMessage);
};

const news = (done: number, doing = ''): void => self.postMessage({ done, doing } satisfies MakeMessage);

async function solidKit(): Promise<SolidKit> {
  const kit = await Module({ locateFile: () => wasmUrl });
  kit.setup();
  return kit;
}

/** Runs a job to its end and tells how far it is. */
function finished<T>(job: Generator<number, T>, from = 0, share = 1, doing = ''): T {
  for (;;) {
    const step = job.next();
    if (step.done) return step.value;
    news(from + share * step.value, doing);
  }
}

async function answerTo(request: MakeRequest): Promise<MakeAnswers[MakeRequest['task']]> {
  switch (request.task) {
    case 'sheets':
      return sheets(request);
    case 'solid':
      return solid(request);
    case 'plates':
      return plates(request);
    case 'in place':
      return inPlace(request);
    case 'coupon':
      return coupon(request);
    case 'space':
      return space(request);
    case 'archive':
      return archive(request);
    case 'cut':
      return runCutter(request.file, request.cutter);
    case 'print':
      return finished(runPrinter(request.file, request.printer));
  }
}

type Of<T extends MakeRequest['task']> = Extract<MakeRequest, { task: T }>;

function sheets({ machine, sets }: Of<'sheets'>): MakeAnswers['sheets'] {
  const derived = derive(machine);
  const { batches, left } = batchesOf(derived);
  const laid = batches.map((batch, i) =>
    finished(layOutBatch(derived, batch, sets), i / batches.length, 1 / batches.length, batch.process.name),
  );
  return { laid, left };
}

async function solid({ machine, part }: Of<'solid'>): Promise<MakeAnswers['solid']> {
  const kit = await solidKit();
  const derived = derive(machine);
  const found = byId(solidParts(derived), part);
  if (!found) return { left: [{ name: part, problem: { code: 'part-unknown', data: { part } } }] };
  const { growth, process } = printGrowth(derived, found);
  const mesh = partMaker(kit, derived)(found, growth, process);
  return mesh.ok
    ? { file: writeStl(mesh.value, found.name), left: [] }
    : { left: [{ name: found.name, problem: mesh.problem }] };
}

async function plates({ machine, process }: Of<'plates'>): Promise<MakeAnswers['plates']> {
  const kit = await solidKit();
  const derived = derive(machine);
  const printer = byId(machine.processes, process);
  const parts = solidParts(derived).filter(
    p => p.number > 0 && !isBought(p) && processOf(machine, p.id)?.id === process,
  );
  const make = partMaker(kit, derived);
  const made: MadePart[] = [];
  const left: NotMade[] = [];
  for (const [i, part] of parts.entries()) {
    news((0.8 * i) / parts.length, part.name);
    const own = printGrowth(derived, part);
    const mesh = make(part, own.growth, own.process);
    if (mesh.ok) made.push({ name: part.name, number: part.number, mesh: mesh.value });
    else left.push({ name: part.name, problem: mesh.problem });
  }
  if (!printer) return { files: [], left };
  const laid = finished(bedPlates(made, printer), 0.8, 0.15, 'plates');
  const files = laid.plates.map((bodies, n): Named => ({
    name: `plate ${n + 1}`,
    bytes: writeThreeMf(bodies, `${machine.name}, plate ${n + 1}`),
  }));
  return { files, left: [...left, ...laid.left] };
}

async function inPlace({ machine, set }: Of<'in place'>): Promise<MakeAnswers['in place']> {
  const kit = await solidKit();
  const derived = derive(machine);
  const found = byId(inPlaceSets(machine), set);
  if (!found) return { left: [] };
  const made = printedInPlace(kit, derived, found, printGrowth(derived, found.planet).growth);
  if (!made.ok) return { left: [{ name: found.name, problem: made.problem }] };
  const bodies = made.value.map(b => ({ name: b.name, mesh: b.mesh, at: [[0, 0, 0]] as const }));
  return { file: writeThreeMf(bodies, found.name), left: [] };
}

async function coupon({ drawing, process, raw }: Of<'coupon'>): Promise<MakeAnswers['coupon']> {
  const bodies = couponBodies(await solidKit(), drawing, process, raw, 0.005);
  return { file: writeThreeMf(bodies, drawing.title) };
}

/** How near to their true surfaces bodies are drawn, mm: enough for the eye. */
const DRAWN = 0.06;

async function space({ machine }: Of<'space'>): Promise<MakeAnswers['space']> {
  const kit = await solidKit();
  const derived = derive(machine, undefined, DRAWN);
  const scene = spaceScene(derived);
  const make = partMaker(kit, derived);
  const bodies = new Map<string, TriMesh>();
  const wanted = [...new Set(scene.items.map(i => i.body))];
  for (const [i, id] of wanted.entries()) {
    news(i / wanted.length, id);
    const [, round, size] = /^(ball|stick) ([\d.]+)$/.exec(id) ?? [];
    const mesh =
      round === undefined
        ? make({ id, name: id })
        : { ok: true as const, value: simple(kit, round, Number(size)) };
    if (mesh.ok) bodies.set(id, mesh.value);
  }
  return { scene, bodies };
}

/** A ball, or the stick that bears one. */
function simple(kit: SolidKit, kind: string, size: number): TriMesh {
  const body =
    kind === 'ball'
      ? kit.Manifold.sphere(size, 32)
      : kit.Manifold.cube([size, 1, 1]).translate([0, -0.5, -0.5]);
  const mesh = body.getMesh();
  const positions = Float64Array.from(mesh.vertProperties);
  body.delete();
  return { positions, triangles: mesh.triVerts };
}

async function archive({ machine, paper, sets }: Of<'archive'>): Promise<MakeAnswers['archive']> {
  const kit = await solidKit();
  const job = allFiles(derive(machine), kit, { paper, sets });
  for (;;) {
    const step = await job.next();
    if (step.done)
      return { file: writeZip(step.value.files), files: step.value.files.size, left: step.value.left };
    news(0.95 * step.value.done, step.value.doing);
  }
}
