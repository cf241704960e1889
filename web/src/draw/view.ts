import type { Point } from '@tesseron/core/geometry';

/** What part of the plane is on screen: the point in the middle, and pixels per millimetre. y points up in mm. */
export interface View {
  readonly centre: Point;
  readonly scale: number;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

export const toScreen = (view: View, size: Size, p: Point): Point => ({
  x: size.width / 2 + (p.x - view.centre.x) * view.scale,
  y: size.height / 2 - (p.y - view.centre.y) * view.scale,
});

export const toPlane = (view: View, size: Size, p: Point): Point => ({
  x: view.centre.x + (p.x - size.width / 2) / view.scale,
  y: view.centre.y - (p.y - size.height / 2) / view.scale,
});

const LEAST_SCALE = 0.05;
const MOST_SCALE = 400;

/** Zooms by a factor with the point under `at` (pixels) staying where it is. */
export function zoomAt(view: View, size: Size, at: Point, factor: number): View {
  const scale = Math.min(MOST_SCALE, Math.max(LEAST_SCALE, view.scale * factor));
  const p = toPlane(view, size, at);
  return {
    scale,
    centre: { x: p.x - (at.x - size.width / 2) / scale, y: p.y + (at.y - size.height / 2) / scale },
  };
}

export const panBy = (view: View, dx: number, dy: number): View => ({
  ...view,
  centre: { x: view.centre.x - dx / view.scale, y: view.centre.y + dy / view.scale },
});

/** The view that shows all discs with a margin. */
export function fitDiscs(discs: readonly { centre: Point; radius: number }[], size: Size): View {
  if (discs.length === 0 || size.width === 0) return { centre: { x: 0, y: 0 }, scale: 3 };
  const minX = Math.min(...discs.map(d => d.centre.x - d.radius));
  const maxX = Math.max(...discs.map(d => d.centre.x + d.radius));
  const minY = Math.min(...discs.map(d => d.centre.y - d.radius));
  const maxY = Math.max(...discs.map(d => d.centre.y + d.radius));
  const margin = 28;
  const scale = Math.min(
    (size.width - 2 * margin) / (maxX - minX),
    (size.height - 2 * margin) / (maxY - minY),
  );
  return {
    centre: { x: (minX + maxX) / 2, y: (minY + maxY) / 2 },
    scale: Math.min(MOST_SCALE, Math.max(LEAST_SCALE, scale)),
  };
}

/** A round length for a scale bar of about `pixels`: 1, 2 or 5 times a power of ten. */
export function roundLength(view: View, pixels: number): number {
  const mm = pixels / view.scale;
  const power = 10 ** Math.floor(Math.log10(mm));
  return ([5, 2, 1].find(n => n * power <= mm) ?? 1) * power;
}

/**
 * Gives a canvas as many pixels as its room has on this screen; `ratio` is pixels of the screen for one of the
 * page.
 */
export function matchPixels(canvas: HTMLCanvasElement, room: Size, ratio: number): void {
  const [width, height] = [Math.round(room.width * ratio), Math.round(room.height * ratio)];
  if (canvas.width === width && canvas.height === height) return;
  canvas.width = width;
  canvas.height = height;
}
