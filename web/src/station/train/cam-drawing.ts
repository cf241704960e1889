import { camContact, type CamShape, camOutline, followed, restAngle, sideOf } from '@tesseron/core/cam';
import { type Point, rotate } from '@tesseron/core/geometry';
import type { CamFigure } from '@tesseron/core/motion';

/** A cam and its follower at one angle, in millimetres, y downwards. */
export interface CamDrawing {
  readonly view: string;
  readonly lines: readonly string[];
  /** The roller, or the point of a knife. */
  readonly roller: { readonly x: number; readonly y: number; readonly r: number } | undefined;
  /** The line of the slide, the arm, or the flat face. */
  readonly rod: string;
  /** From where it touches along the normal: how it presses. */
  readonly normal: string;
  readonly width: number;
}

const said = (p: Point): string => `${p.x.toFixed(3)} ${(-p.y).toFixed(3)}`;
const ring = (points: readonly Point[]): string => `M${points.map(said).join('L')}Z`;

/** The cam's axis is the middle; x goes towards the follower, or its axis. */
export function camDrawing({ shape, lines }: Pick<CamFigure, 'shape' | 'lines'>, theta: number): CamDrawing {
  const drawn = lines.map(({ line }) => camOutline(shape, line, 360).map(p => rotate(p, theta)));
  const widest = Math.max(...drawn.flat().map(p => Math.hypot(p.x, p.y)), shape.radius);
  const { at, normal } = camContact(shape, theta);
  const reach = widest * 1.15 + 2 * shape.roller;
  const right = shape.way.kind === 'arm' ? Math.max(reach, shape.way.apart + reach * 0.1) : reach * 1.3;
  const end = { x: at.x + normal.x * reach * 0.35, y: at.y + normal.y * reach * 0.35 };
  return {
    view: `${-reach} ${-reach} ${reach + right} ${2 * reach}`,
    lines: drawn.map(ring),
    roller: shape.flat ? undefined : { x: at.x, y: -at.y, r: Math.max(shape.roller, reach / 90) },
    rod: rodOf(shape, theta, reach),
    normal: `M${said(at)}L${said(end)}`,
    width: reach + right,
  };
}

function rodOf(shape: CamShape, theta: number, reach: number): string {
  const { way } = shape;
  if (way.kind === 'slide') {
    const { at } = followed(shape, theta);
    if (!shape.flat) return `M${said(at)}L${said({ x: at.x + reach, y: at.y })}`;
    const { at: face } = camContact(shape, theta);
    const [up, down] = [
      { x: face.x, y: reach / 2 },
      { x: face.x, y: -reach / 2 },
    ];
    return `M${said(up)}L${said(down)}M${said({ x: face.x, y: 0 })}L${said({ x: face.x + reach, y: 0 })}`;
  }
  const pivot = { x: way.apart, y: 0 };
  if (!shape.flat) return `M${said(pivot)}L${said(followed(shape, theta).at)}`;
  const angle = Math.PI - sideOf(shape) * (restAngle(shape) + shape.lift(theta)[0]);
  const far = { x: pivot.x + 1.5 * way.apart * Math.cos(angle), y: 1.5 * way.apart * Math.sin(angle) };
  return `M${said(pivot)}L${said(far)}`;
}
