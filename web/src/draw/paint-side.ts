import {
  sideTeeth,
  type SideRect,
  type SideRound,
  type SideScene,
  type SideView,
} from '@tesseron/core/drawings';
import type { Rational } from '@tesseron/core/rational';
import { rateColour } from './rate-colour';
import type { Tokens } from './tokens';

/** All that decides one frame of the view from the side. */
export interface SidePicture {
  readonly scene: SideScene;
  readonly rects: readonly SideRect[];
  readonly view: SideView;
  readonly size: { readonly width: number; readonly height: number };
  readonly ratio: number;
  readonly zoom: number;
  /** How many times larger heights are drawn. */
  readonly rise: number;
  readonly tokens: Tokens;
  readonly rates: Readonly<Record<string, Rational>>;
}

const MARGIN = 30;
/** Room below for the controls, pixels. */
const FOOT = 44;

/** Pixels for a millimetre across, so that all of it is seen whichever way it is turned. */
function sideScale({
  scene,
  size,
  zoom,
  rise,
}: Pick<SidePicture, 'scene' | 'size' | 'zoom' | 'rise'>): number {
  const wide = (size.width - 2 * MARGIN) / (2 * scene.reach);
  const high = (size.height - 2 * MARGIN - 2 * FOOT) / ((scene.high - scene.low) * rise);
  return Math.max(0.05, Math.min(wide, high)) * zoom;
}

/** The largest of some factors at which heights still fit without making the rest smaller. */
export function usualRise(scene: SideScene, size: SidePicture['size'], rises: readonly number[]): number {
  const wide = (size.width - 2 * MARGIN) / (2 * scene.reach);
  return [...rises].reverse().find(r => (scene.high - scene.low) * r * wide <= size.height * 0.7) ?? 1;
}

/** Fills the round that touches a rectangle's sides, and leaves it as the path. */
function fillRound(context: CanvasRenderingContext2D, x: number, y: number, w: number, h: number): void {
  context.beginPath();
  context.ellipse(x + w / 2, y + h / 2, w / 2, h / 2, 0, 0, 2 * Math.PI);
  context.fill();
}

/**
 * Draws the machine from the side: what is farther away first, cut faces full, everything in the colour of its
 * rate.
 */
export function paintSide(context: CanvasRenderingContext2D, picture: SidePicture): void {
  const { size, ratio, tokens, scene } = picture;
  const scale = sideScale(picture);
  const up = scale * picture.rise;
  const px = (u: number): number => size.width / 2 + u * scale;
  const middle = (scene.low + scene.high) / 2;
  const py = (z: number): number => size.height / 2 - (z - middle) * up;
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.fillStyle = tokens.ground;
  context.fillRect(0, 0, size.width, size.height);
  const { cut } = picture.view;
  for (const r of picture.rects) {
    const [x, y] = [px(r.left), py(r.high)];
    const [w, h] = [Math.max(0.6, (r.right - r.left) * scale), Math.max(0.6, (r.high - r.low) * up)];
    context.fillStyle = tokens.ground;
    if (r.what === 'ball') fillRound(context, x, y, w, h);
    else context.fillRect(x, y, w, h);
    context.globalAlpha = r.cut ? 0.95 : cut === undefined ? 0.62 : 0.28;
    context.fillStyle = colourOf(picture, r);
    context.strokeStyle = tokens.ink;
    context.lineWidth = r.cut ? 1.2 : 0.7;
    if (r.what === 'ball') {
      fillRound(context, x, y, w, h);
      context.globalAlpha = 1;
      context.stroke();
      continue;
    }
    context.fillRect(x, y, w, h);
    context.globalAlpha = 1;
    if (!r.cut) paintTeeth(context, picture, r, px, y, h, scale);
    context.strokeRect(x, y, w, h);
  }
  paintGround(context, picture, scale);
}

/** Edges of teeth closer than this run together, pixels. */
const LEAST_EDGE = 3;

function paintTeeth(
  context: CanvasRenderingContext2D,
  picture: SidePicture,
  r: SideRect,
  px: (u: number) => number,
  y: number,
  h: number,
  scale: number,
): void {
  const { teeth, radius } = r.of as SideRound;
  if (r.what !== 'round' || !teeth || (2 * Math.PI * radius * scale) / teeth < LEAST_EDGE) return;
  const [left, right] = [px(r.left), px(r.right)];
  context.lineWidth = 0.6;
  context.beginPath();
  sideTeeth(r, picture.view.angle, u => {
    const x = px(u);
    if (x < left || x > right) return;
    context.moveTo(x, y);
    context.lineTo(x, y + h);
  });
  context.stroke();
}

function colourOf({ tokens, rates }: SidePicture, r: SideRect): string {
  if (r.what === 'plate') return tokens.hairline;
  const { kind, member } = r.of as SideRound;
  if (r.what === 'bar' && (r.of as { kind: string }).kind === 'hand') return tokens.accent;
  if (kind === 'pillar' || kind === 'foot' || kind === 'column' || kind === 'base') return tokens.hairline;
  if (kind === 'bearing') return tokens.panel;
  if (kind === 'dial' && member === undefined) return tokens.panel;
  if (kind === 'rod' || kind === 'spacer' || kind === 'washers') return tokens.panel;
  const rate = member === undefined ? undefined : rates[member];
  return rateColour(rate, tokens.rate) ?? tokens.panel;
}

/** How long a millimetre is across, and how much higher heights are drawn. */
function paintGround(context: CanvasRenderingContext2D, { tokens, rise }: SidePicture, scale: number): void {
  const round = 10 ** Math.floor(Math.log10(120 / scale));
  const length = ([5, 2, 1].find(n => n * round <= 120 / scale) ?? 1) * round;
  const [x, y] = [16, 24];
  context.strokeStyle = tokens.ink;
  context.lineWidth = 1;
  context.beginPath();
  context.moveTo(x, y - 5);
  context.lineTo(x, y);
  context.lineTo(x + length * scale, y);
  context.lineTo(x + length * scale, y - 5);
  context.stroke();
  context.font = '12px "Atkinson Hyperlegible Mono Variable", monospace';
  context.textBaseline = 'middle';
  context.fillStyle = tokens.ink;
  const heights = rise === 1 ? '' : `, heights × ${rise}`;
  context.fillText(`${Number(length.toPrecision(2))} mm${heights}`, x + length * scale + 8, y - 3);
}
