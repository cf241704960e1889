import { type Point, polar } from '@tesseron/core/geometry';
import { circleCount, driveWay } from '@tesseron/core/machine';
import type { Stance } from '@tesseron/core/motion';
import { sign } from '@tesseron/core/rational';
import { FASTEST, rateColour, SLOWEST } from './rate-colour';
import { discOf, type DrawnWheel, type OutlineCache } from './plan-scene';
import type { DrawnIndicator } from './indicator-scene';
import { paintIndicator } from './paint-indicators';
import type { LinkScene } from './paint-links';
import type { RoomFigure } from './room-figure';
import type { Tokens } from './tokens';
import { roundLength, type Size, toScreen, type View } from './view';

/** All that decides one frame of the plan. */
export interface PlanFrame {
  readonly wheels: readonly DrawnWheel[];
  readonly room: RoomFigure;
  readonly links: LinkScene | undefined;
  readonly places: ReadonlyMap<string, Stance>;
  readonly view: View;
  readonly size: Size;
  readonly ratio: number;
  readonly tokens: Tokens;
  readonly driveMember: string | undefined;
  /** The way the drive turns, seen from the front: −1 for clockwise. */
  readonly way: 1 | -1;
  readonly selected: string | undefined;
  readonly visible: (layer: number) => boolean;
  /** Filled without outlines while it runs: stroking takes most of the time. */
  readonly running: boolean;
  /** Hands, dials, globes and bodies with where each stands. */
  readonly indicators: readonly { readonly drawn: DrawnIndicator; readonly stance: Stance }[];
  /** Names and counts beside the axes; and what decides which are shown, besides the wheels. */
  readonly labelled: boolean;
  readonly labelKey: string;
  readonly marks: readonly { readonly member: string; readonly text: string }[];
}

/** Draws the plan: wheels by layer in the colour of their rate, pitch circles dashed, centres, counts, a scale bar. */
export function paintPlan(context: CanvasRenderingContext2D, frame: PlanFrame, cache: OutlineCache): void {
  const { size, ratio, tokens } = frame;
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.fillStyle = tokens.ground;
  context.fillRect(0, 0, size.width, size.height);
  paintRoom(context, frame, false);
  paintBars(context, frame);
  for (const w of frame.wheels) if (frame.visible(w.wheel.layer)) paintWheel(context, frame, w, cache);
  for (const w of frame.wheels) if (frame.visible(w.wheel.layer)) paintPitchCircle(context, frame, w);
  frame.links?.paint(context, frame);
  paintRoom(context, frame, true);
  paintHands(context, frame);
  for (const { drawn, stance } of frame.indicators) paintIndicator(context, frame, drawn, stance);
  paintCentres(context, frame);
  if (frame.labelled) paintLabels(context, frame);
  paintScaleBar(context, frame);
  paintRateScale(context, frame);
}

/** Lines that stand: plates and pillars under the wheels, the envelope dashed, and over them the room kept free. */
function paintRoom(context: CanvasRenderingContext2D, frame: PlanFrame, keptFree: boolean): void {
  for (const { kind, points } of frame.room.lines) {
    if ((kind === 'keep-out') !== keptFree) continue;
    context.beginPath();
    for (const p of points) {
      const q = toScreen(frame.view, frame.size, p);
      context.lineTo(q.x, q.y);
    }
    context.closePath();
    context.globalAlpha = kind === 'keep-out' ? 0.16 : kind === 'plate' ? 0.5 : 1;
    context.fillStyle = kind === 'keep-out' ? frame.tokens.stop : frame.tokens.panel;
    if (kind !== 'envelope') context.fill();
    context.globalAlpha = 1;
    context.strokeStyle = kind === 'keep-out' ? frame.tokens.stop : frame.tokens.muted;
    context.lineWidth = kind === 'envelope' ? 1.6 : 1;
    context.setLineDash(kind === 'envelope' ? [10, 5] : kind === 'keep-out' ? [3, 3] : []);
    context.stroke();
    context.setLineDash([]);
  }
}

/** Bars of arms as they stand now. */
function paintBars(context: CanvasRenderingContext2D, frame: PlanFrame): void {
  for (const { arm, place, width } of frame.room.bars) {
    const [from, to] = [frame.places.get(arm), frame.places.get(place)];
    if (!from || !to) continue;
    const [p, q] = [from, to].map(s => toScreen(frame.view, frame.size, s.centre)) as [Point, Point];
    context.beginPath();
    context.moveTo(p.x, p.y);
    context.lineTo(q.x, q.y);
    context.lineCap = 'round';
    context.strokeStyle = frame.tokens.muted;
    context.lineWidth = width * frame.view.scale + 1.5;
    context.stroke();
    context.strokeStyle = frame.tokens.panel;
    context.lineWidth = width * frame.view.scale;
    context.stroke();
    context.lineCap = 'butt';
  }
}

function paintWheel(
  context: CanvasRenderingContext2D,
  frame: PlanFrame,
  w: DrawnWheel,
  cache: OutlineCache,
): void {
  const stance = frame.places.get(w.place);
  if (!stance || !onScreen(frame, discOf(w, stance))) return;
  const { scale, centre } = frame.view;
  const r = frame.ratio;
  const angle = stance.angle + w.phase;
  const c = Math.cos(angle) * scale * r;
  const s = Math.sin(angle) * scale * r;
  const x = (frame.size.width / 2 + (stance.centre.x - centre.x) * scale) * r;
  const y = (frame.size.height / 2 - (stance.centre.y - centre.y) * scale) * r;
  context.setTransform(c, -s, -s, -c, x, y);
  const path = cache.get(w, scale);
  const selected = frame.selected === w.wheel.member;
  context.globalAlpha = selected ? 0.85 : 0.5;
  context.fillStyle = rateColour(w.rate, frame.tokens.rate) ?? frame.tokens.hairline;
  context.fill(path, 'evenodd');
  context.globalAlpha = 1;
  if (!frame.running || selected) {
    context.lineWidth = (selected ? 1.8 : 0.9) / scale;
    context.strokeStyle = selected ? frame.tokens.accent : frame.tokens.ink;
    context.stroke(path);
  }
  context.setTransform(r, 0, 0, r, 0, 0);
}

function paintPitchCircle(context: CanvasRenderingContext2D, frame: PlanFrame, w: DrawnWheel): void {
  const stance = frame.places.get(w.place);
  const radius = w.pitchRadius * frame.view.scale;
  if (!stance || frame.running || !onScreen(frame, discOf(w, stance)) || (radius < 6 && !w.rack)) return;
  context.beginPath();
  context.setLineDash([6, 3, 1.5, 3]);
  context.lineWidth = 0.6;
  context.strokeStyle = frame.tokens.ink;
  const p = toScreen(frame.view, frame.size, stance.centre);
  if (!w.rack) context.arc(p.x, p.y, radius, 0, 2 * Math.PI);
  else {
    const { pitch, count } = w.rack;
    for (const along of [-pitch / 2, (count - 0.5) * pitch]) {
      const end = polar(stance.centre, along, stance.angle + Math.PI / 2);
      const q = toScreen(frame.view, frame.size, end);
      context.lineTo(q.x, q.y);
    }
  }
  context.stroke();
  context.setLineDash([]);
}

/** A hand on every marked output, as long as its largest wheel: it shows where the output points. */
function paintHands(context: CanvasRenderingContext2D, frame: PlanFrame): void {
  const shown = new Set(frame.indicators.map(i => i.drawn.indicator.member));
  for (const { member } of frame.marks) {
    if (shown.has(member)) continue;
    const stance = frame.places.get(member);
    const largest = Math.max(
      0,
      ...frame.wheels.filter(w => w.wheel.member === member).map(w => w.rootRadius),
    );
    if (!stance || largest === 0) continue;
    const p = toScreen(frame.view, frame.size, stance.centre);
    const length = largest * frame.view.scale * 0.92;
    context.strokeStyle = frame.tokens.accent;
    context.lineWidth = 2.5;
    context.beginPath();
    context.moveTo(
      p.x - length * 0.12 * Math.cos(stance.angle),
      p.y + length * 0.12 * Math.sin(stance.angle),
    );
    context.lineTo(p.x + length * Math.cos(stance.angle), p.y - length * Math.sin(stance.angle));
    context.stroke();
  }
}

/** A cross at every arbor; the drive's in the accent with an arrow that shows its sense. */
function paintCentres(context: CanvasRenderingContext2D, frame: PlanFrame): void {
  const racks = new Set(frame.wheels.flatMap(w => (w.rack ? [w.place] : [])));
  // Slides and rods have no axis of their own.
  for (const id of frame.links?.figure.slides ?? []) racks.add(id);
  for (const { kind, member } of frame.links?.figure.bars ?? []) if (kind === 'rod') racks.add(member);
  for (const [member, stance] of frame.places) {
    if (racks.has(member)) continue;
    const p = toScreen(frame.view, frame.size, stance.centre);
    const drive = member === frame.driveMember;
    context.strokeStyle = drive ? frame.tokens.accent : frame.tokens.ink;
    context.lineWidth = drive ? 1.6 : 0.8;
    const arm = drive ? 9 : 6;
    context.beginPath();
    context.moveTo(p.x - arm, p.y);
    context.lineTo(p.x + arm, p.y);
    context.moveTo(p.x, p.y - arm);
    context.lineTo(p.x, p.y + arm);
    context.stroke();
    if (drive) paintArrow(context, p.x, p.y, frame.way);
  }
}

/** An arrow about a point, counter-clockwise; mirrored for a drive that turns clockwise. */
function paintArrow(context: CanvasRenderingContext2D, x: number, y: number, way: 1 | -1): void {
  const radius = 13;
  const from = -Math.PI / 6;
  const to = -Math.PI * 0.85;
  const tip = { x: radius * Math.cos(to), y: radius * Math.sin(to) };
  context.save();
  context.translate(x, y);
  context.scale(way, 1);
  context.beginPath();
  context.arc(0, 0, radius, from, to, true);
  context.stroke();
  context.beginPath();
  context.moveTo(tip.x + 5, tip.y - 2.5);
  context.lineTo(tip.x - 0.5, tip.y + 0.5);
  context.lineTo(tip.x + 1, tip.y - 5.5);
  context.stroke();
  context.restore();
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const LINE = 15;

/** What is written beside an axis: its lines, how wide they are, and how many of them name outputs. */
interface LabelBlock {
  readonly place: string;
  readonly texts: readonly string[];
  readonly named: number;
  readonly width: number;
  /**
   * From the axis to the corner of the block, pixels; kept while the machine runs, so that labels do not jump
   * about.
   */
  offset: Point | undefined;
}

interface KnownBlocks {
  readonly key: string;
  readonly marks: PlanFrame['marks'];
  readonly list: readonly LabelBlock[];
}

const blocks = new WeakMap<object, KnownBlocks>();

/** Names of outputs and counts beside each axis, wheels of one axis below each other, where no other label stands. */
function paintLabels(context: CanvasRenderingContext2D, frame: PlanFrame): void {
  context.font = '12px "Atkinson Hyperlegible Mono Variable", monospace';
  context.textBaseline = 'middle';
  const list = labelBlocks(context, frame);
  const taken: Box[] = [];
  for (const block of list) {
    const stance = frame.places.get(block.place);
    if (!stance) continue;
    const p = toScreen(frame.view, frame.size, stance.centre);
    if (!frame.running || !block.offset) {
      const box = freePlace(p, block.width, LINE * block.texts.length, taken, frame.size);
      taken.push(box);
      block.offset = { x: box.x - p.x, y: box.y - p.y };
    }
    const [x, y] = [p.x + block.offset.x + 3, p.y + block.offset.y + 8];
    for (let i = 0; i < block.texts.length; i++)
      paintText(context, frame, block.texts[i] ?? '', x, y + LINE * i, i < block.named);
  }
}

/** The blocks of a frame, made anew when wheels, names or the scale change. */
function labelBlocks(context: CanvasRenderingContext2D, frame: PlanFrame): readonly LabelBlock[] {
  const key = `${frame.view.scale} ${frame.labelKey}`;
  const known = blocks.get(frame.wheels);
  if (known?.key === key && known.marks === frame.marks) return known.list;
  const atAxis = new Map<string, DrawnWheel[]>();
  for (const w of frame.wheels) {
    const first = w.place === w.wheel.member;
    const wide = w.rack ? w.rack.count * w.rack.pitch : w.tipRadius;
    if (first && frame.visible(w.wheel.layer) && wide * frame.view.scale > 14)
      atAxis.set(w.axis || w.place, [...(atAxis.get(w.axis || w.place) ?? []), w]);
  }
  const list = [...atAxis.values()].map((wheels): LabelBlock => {
    const named = frame.marks.filter(m => wheels.some(w => w.wheel.member === m.member)).map(m => m.text);
    const texts = [...named, ...wheels.map(labelOf)];
    const width = Math.max(...texts.map(t => context.measureText(t).width)) + 6;
    return { place: wheels[0]?.wheel.member ?? '', texts, named: named.length, width, offset: undefined };
  });
  blocks.set(frame.wheels, { key, marks: frame.marks, list });
  return list;
}

/** A place beside a point that no label has taken and that is on screen; the first choice where there is none. */
function freePlace(p: Point, width: number, height: number, taken: readonly Box[], size: Size): Box {
  const [right, left] = [p.x + 9, p.x - 11 - width];
  const [below, above] = [p.y + 10, p.y - 10 - height];
  const choices: Box[] = [below, above, p.y - height / 2, below + height, above - height].flatMap(y =>
    [right, left].map(x => ({ x, y, width, height })),
  );
  const clear = (b: Box): boolean =>
    b.x >= 2 &&
    b.x + b.width <= size.width - 2 &&
    b.y >= 2 &&
    b.y + b.height <= size.height - 2 &&
    !taken.some(t => meet(t, b));
  return choices.find(clear) ?? { x: right, y: below, width, height };
}

const meet = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

const labelOf = (w: DrawnWheel): string => {
  const count = circleCount(w.wheel);
  const turns =
    w.rate === undefined || w.rack
      ? ''
      : sign(w.rate) === 0
        ? ' –'
        : sign(w.rate) === driveWay(w.machine)
          ? ' ↺'
          : ' ↻';
  return `${count ?? '?'}${turns} L${w.wheel.layer + 1}`;
};

function paintText(
  context: CanvasRenderingContext2D,
  frame: PlanFrame,
  text: string,
  x: number,
  y: number,
  strong: boolean,
): void {
  const width = context.measureText(text).width;
  context.globalAlpha = 0.82;
  context.fillStyle = frame.tokens.panel;
  context.fillRect(x - 3, y - 8, width + 6, 15);
  context.globalAlpha = 1;
  context.fillStyle = strong ? frame.tokens.accent : frame.tokens.ink;
  context.fillText(text, x, y);
}

function paintScaleBar(context: CanvasRenderingContext2D, frame: PlanFrame): void {
  const length = roundLength(frame.view, 120);
  const pixels = length * frame.view.scale;
  const [x, y] = [16, frame.size.height - 18];
  context.strokeStyle = frame.tokens.ink;
  context.lineWidth = 1;
  context.beginPath();
  context.moveTo(x, y - 5);
  context.lineTo(x, y);
  context.lineTo(x + pixels, y);
  context.lineTo(x + pixels, y - 5);
  context.stroke();
  context.font = '12px "Atkinson Hyperlegible Mono Variable", monospace';
  context.textBaseline = 'middle';
  paintText(context, frame, `${Number(length.toPrecision(2))} mm`, x + pixels + 8, y - 3, false);
}

/** What the colours mean: slow to fast, in turns per turn of the drive. */
function paintRateScale(context: CanvasRenderingContext2D, frame: PlanFrame): void {
  const { rate } = frame.tokens;
  const [x, y, width] = [16, 14, 22];
  rate.forEach((colour, i) => {
    context.fillStyle = colour;
    context.fillRect(x + i * width, y, width, 7);
  });
  const end = x + rate.length * width;
  paintText(context, frame, `${sayRate(SLOWEST)} to ${sayRate(FASTEST)} × the drive`, end + 8, y + 3, false);
}

const sayRate = (rate: number): string => (rate < 1 ? `1/${Math.round(1 / rate)}` : String(rate));

function onScreen(frame: PlanFrame, { centre, radius }: ReturnType<typeof discOf>): boolean {
  const p = toScreen(frame.view, frame.size, centre);
  const r = radius * frame.view.scale;
  return p.x + r > 0 && p.x - r < frame.size.width && p.y + r > 0 && p.y - r < frame.size.height;
}
