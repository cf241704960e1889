import type { Axis } from './types.ts';

/** The meshes and the axes that the place of an axis is reckoned from. */
export function placeHangsOn(place: Axis['place']): {
  readonly joints: readonly string[];
  readonly axes: readonly string[];
} {
  switch (place.kind) {
    case 'given':
      return { joints: [], axes: [] };
    case 'mesh':
      return { joints: [place.joint], axes: [] };
    case 'between':
      return { joints: place.joints, axes: [] };
    case 'coaxial':
      return { joints: [], axes: [place.with] };
    case 'polar':
      return { joints: [], axes: [place.from] };
    case 'line':
      return { joints: [place.joint], axes: [place.through] };
    case 'mirror':
      return { joints: [], axes: [place.of, place.through] };
  }
}
