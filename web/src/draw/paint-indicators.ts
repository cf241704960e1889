import type { Stance } from '@tesseron/core/motion';
import type { DrawnIndicator } from './indicator-scene';
import type { Tokens } from './tokens';
import { type Size, toScreen, type View } from './view';

/** Where and how indicators are drawn in one frame. */
export interface IndicatorFrame {
  readonly view: View;
  readonly size: Size;
  readonly ratio: number;
  readonly tokens: Tokens;
}

/** Letters smaller than this are left out: they could not be read. */
const LEAST_LETTER = 4;

/**
 * Draws an indicator where it stands: dials as film that lets the wheels show, hands in the accent, globes and
 * bodies filled.
 */
export function paintIndicator(
  context: CanvasRenderingContext2D,
  frame: IndicatorFrame,
  drawn: DrawnIndicator,
  stance: Stance,
): void {
  const { scale } = frame.view;
  const r = frame.ratio;
  const p = toScreen(frame.view, frame.size, stance.centre);
  const [c, s] = [Math.cos(stance.angle) * scale * r, Math.sin(stance.angle) * scale * r];
  context.setTransform(c, -s, -s, -c, p.x * r, p.y * r);
  const { kind } = drawn.indicator;
  const hand = kind === 'hand' || kind === 'body';
  if (drawn.indicator.kind === 'body') paintReach(context, frame, drawn.indicator.distance);
  context.globalAlpha = kind === 'dial' ? 0.78 : 1;
  context.fillStyle = hand ? frame.tokens.accent : frame.tokens.panel;
  context.fill(drawn.cut, 'evenodd');
  context.globalAlpha = 1;
  context.strokeStyle = hand ? frame.tokens.accent : frame.tokens.ink;
  context.lineWidth = 1.1 / scale;
  context.stroke(drawn.cut);
  if (kind === 'globe') {
    context.fillStyle = frame.tokens.ink;
    context.fill(drawn.engraved);
  }
  context.lineWidth = 0.8 / scale;
  context.stroke(drawn.engraved);
  paintLabels(context, frame, drawn, c, s, p.x * r, p.y * r);
  context.setTransform(r, 0, 0, r, 0, 0);
}

/** The way from the axis out to a body. */
function paintReach(context: CanvasRenderingContext2D, frame: IndicatorFrame, distance: number): void {
  context.strokeStyle = frame.tokens.accent;
  context.lineWidth = 1.2 / frame.view.scale;
  context.beginPath();
  context.moveTo(0, 0);
  context.lineTo(distance, 0);
  context.stroke();
}

function paintLabels(
  context: CanvasRenderingContext2D,
  frame: IndicatorFrame,
  { labels }: DrawnIndicator,
  c: number,
  s: number,
  x: number,
  y: number,
): void {
  context.fillStyle = frame.tokens.ink;
  context.textAlign = 'center';
  context.textBaseline = 'alphabetic';
  for (const l of labels) {
    if (l.height * frame.view.scale < LEAST_LETTER) continue;
    context.setTransform(c, -s, -s, -c, x, y);
    context.translate(l.x, l.y);
    context.rotate(l.angle ?? 0);
    context.scale(1, -1);
    context.font = `${l.height}px "Atkinson Hyperlegible Next Variable", sans-serif`;
    context.fillText(l.text, 0, 0);
  }
  context.textAlign = 'start';
}
