import type { Point } from '../../ground/geometry/index.ts';

/** Numbered lines of a file in the exchange structure. */
export class Part21 {
  readonly lines: string[] = [];
  add(entity: string): number {
    this.lines.push(`#${this.lines.length + 1}=${entity};`);
    return this.lines.length;
  }
}

export const refs = (ids: readonly number[]): string => `(${ids.map(i => `#${i}`).join(',')})`;
export const real = (x: number): string => {
  const written = (Math.round(x * 1e7) / 1e7 + 0).toString();
  return /[.e]/.test(written) ? written.replace('e', 'E') : `${written}.`;
};
/** Letters beyond ASCII become question marks: control directives of the format are not read everywhere. */
export const text = (t: string): string =>
  `'${t
    .replace(/[^\x20-\x7e]/g, '?')
    .slice(0, 120)
    .replaceAll("'", "''")}'`;
export const point = (file: Part21, p: Point, z: number): number =>
  file.add(`CARTESIAN_POINT('',(${real(p.x)},${real(p.y)},${real(z)}))`);
export const towards = (file: Part21, x: number, y: number, z: number): number =>
  file.add(`DIRECTION('',(${unit(x)},${unit(y)},${unit(z)}))`);
const unit = (x: number): string => {
  const written = (Math.round(x * 1e12) / 1e12 + 0).toString();
  return /[.e]/.test(written) ? written.replace('e', 'E') : `${written}.`;
};
/** A place with the z axis in a direction and the x axis in another. */
export const placement = (file: Part21, origin: number, z: number, x: number): number =>
  file.add(`AXIS2_PLACEMENT_3D('',#${origin},#${z},#${x})`);

/** A file in the exchange structure (ISO 10303-21), with its header. */
export const part21 = (name: string, description: readonly string[], { lines }: Part21): string =>
  [
    'ISO-10303-21;',
    'HEADER;',
    `FILE_DESCRIPTION((${description.map(text).join(',')}),'2;1');`,
    `FILE_NAME(${text(`${name}.step`)},'1970-01-01T00:00:00',(''),(''),'','','');`,
    "FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 1 1 1 1 }'));",
    'ENDSEC;',
    'DATA;',
    ...lines,
    'ENDSEC;',
    'END-ISO-10303-21;',
    '',
  ].join('\n');

/** What all products of a file share: units, and the contexts of products, designs and shapes. */
export interface StepContexts {
  readonly product: number;
  readonly design: number;
  readonly geometry: number;
}

/** Writes the contexts: millimetres, radians, a hundred-thousandth of a millimetre. */
export function stepContexts(file: Part21): StepContexts {
  const application = file.add("APPLICATION_CONTEXT('core data for automotive mechanical design processes')");
  file.add(
    `APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,#${application})`,
  );
  const product = file.add(`PRODUCT_CONTEXT('',#${application},'mechanical')`);
  const design = file.add(`PRODUCT_DEFINITION_CONTEXT('part definition',#${application},'design')`);
  const length = file.add('(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))');
  const angle = file.add('(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))');
  const solidAngle = file.add('(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())');
  const error = file.add(
    `UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(1.E-05),#${length},'distance_accuracy_value','')`,
  );
  const geometry = file.add(
    `(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT((#${error}))` +
      `GLOBAL_UNIT_ASSIGNED_CONTEXT((#${length},#${angle},#${solidAngle}))REPRESENTATION_CONTEXT('',''))`,
  );
  return { product, design, geometry };
}

/** A product whose shape is a representation: its definition. */
export function stepProduct(
  file: Part21,
  { product, design }: StepContexts,
  name: string,
  representation: number,
): number {
  const id = file.add(`PRODUCT(${text(name)},${text(name)},'',(#${product}))`);
  file.add(`PRODUCT_RELATED_PRODUCT_CATEGORY('part',$,(#${id}))`);
  const formation = file.add(`PRODUCT_DEFINITION_FORMATION('','',#${id})`);
  const definition = file.add(`PRODUCT_DEFINITION('design','',#${formation},#${design})`);
  const shape = file.add(`PRODUCT_DEFINITION_SHAPE('','',#${definition})`);
  file.add(`SHAPE_DEFINITION_REPRESENTATION(#${shape},#${representation})`);
  return definition;
}

/** The place at the origin along the axes. */
export const stepOrigin = (file: Part21): number =>
  placement(file, point(file, { x: 0, y: 0 }, 0), towards(file, 0, 0, 1), towards(file, 1, 0, 0));
