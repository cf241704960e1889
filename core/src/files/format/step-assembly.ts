import type { Space } from '../../ground/geometry/index.ts';
import { type Prism, prismShell } from './step.ts';
import {
  Part21,
  part21,
  real,
  refs,
  type StepContexts,
  stepContexts,
  stepOrigin,
  stepProduct,
  text,
} from './step-entities.ts';

/** A prism with a colour: red, green and blue from 0 to 1. */
export interface ColouredPrism extends Prism {
  readonly colour: readonly [number, number, number];
}

/** Where one of the parts stands: its origin, and the directions of its own x and z axes. mm. */
export interface PartPlace {
  readonly part: number;
  readonly name: string;
  readonly origin: Space;
  readonly x: Space;
  readonly z: Space;
}

const space = (file: Part21, kind: 'CARTESIAN_POINT' | 'DIRECTION', { x, y, z }: Space): number =>
  file.add(`${kind}('',(${real(x)},${real(y)},${real(z)}))`);

/**
 * An assembly as STEP (ISO 10303-21, application protocol 214), millimetres: every part once, with its name and its
 * colour, and for each place an occurrence of it. Entities by ISO 10303-44 and 10303-46 (from memory; judged by a
 * geometry kernel in the tests). `told`: what a reader should know of it.
 */
export function writeStepAssembly(
  name: string,
  parts: readonly ColouredPrism[],
  places: readonly PartPlace[],
  told: readonly string[] = [],
): string {
  const file = new Part21();
  const contexts = stepContexts(file);
  const made = parts.map(p => partOf(file, contexts, p));
  const root = stepOrigin(file);
  const spots = places.map(p => {
    const [origin, z, x] = [
      space(file, 'CARTESIAN_POINT', p.origin),
      space(file, 'DIRECTION', p.z),
      space(file, 'DIRECTION', p.x),
    ];
    return file.add(`AXIS2_PLACEMENT_3D('',#${origin},#${z},#${x})`);
  });
  const whole = file.add(`SHAPE_REPRESENTATION('',${refs([root, ...spots])},#${contexts.geometry})`);
  const assembly = stepProduct(file, contexts, name, whole);
  places.forEach((place, i) => {
    const part = made[place.part];
    const spot = spots[i];
    if (!part || spot === undefined) return;
    const use = file.add(
      `NEXT_ASSEMBLY_USAGE_OCCURRENCE('${i + 1}',${text(place.name)},'',#${assembly},#${part.definition},$)`,
    );
    const shape = file.add(`PRODUCT_DEFINITION_SHAPE('','',#${use})`);
    const way = file.add(`ITEM_DEFINED_TRANSFORMATION('','',#${part.origin},#${spot})`);
    const tie = file.add(
      `(REPRESENTATION_RELATIONSHIP('','',#${part.representation},#${whole})` +
        `REPRESENTATION_RELATIONSHIP_WITH_TRANSFORMATION(#${way})SHAPE_REPRESENTATION_RELATIONSHIP())`,
    );
    file.add(`CONTEXT_DEPENDENT_SHAPE_REPRESENTATION(#${tie},#${shape})`);
  });
  file.add(
    `MECHANICAL_DESIGN_GEOMETRIC_PRESENTATION_REPRESENTATION('',${refs(made.map(m => m.styled))},` +
      `#${contexts.geometry})`,
  );
  return part21(name, [name, ...told], file);
}

/** One part as a product, with the colour of its solid. */
function partOf(
  file: Part21,
  contexts: StepContexts,
  part: ColouredPrism,
): {
  readonly definition: number;
  readonly representation: number;
  readonly origin: number;
  readonly styled: number;
} {
  const solid = file.add(`MANIFOLD_SOLID_BREP(${text(part.name)},#${prismShell(file, part)})`);
  const origin = stepOrigin(file);
  const representation = file.add(
    `ADVANCED_BREP_SHAPE_REPRESENTATION('',(#${origin},#${solid}),#${contexts.geometry})`,
  );
  const [r, g, b] = part.colour;
  const colour = file.add(`COLOUR_RGB('',${real(r)},${real(g)},${real(b)})`);
  const area = file.add(`FILL_AREA_STYLE('',(#${file.add(`FILL_AREA_STYLE_COLOUR('',#${colour})`)}))`);
  const side = file.add(`SURFACE_SIDE_STYLE('',(#${file.add(`SURFACE_STYLE_FILL_AREA(#${area})`)}))`);
  const usage = file.add(`SURFACE_STYLE_USAGE(.BOTH.,#${side})`);
  const style = file.add(`PRESENTATION_STYLE_ASSIGNMENT((#${usage}))`);
  const styled = file.add(`STYLED_ITEM('colour',(#${style}),#${solid})`);
  return {
    definition: stepProduct(file, contexts, part.name, representation),
    representation,
    origin,
    styled,
  };
}
