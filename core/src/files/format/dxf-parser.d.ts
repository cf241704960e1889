/** What is used of dxf-parser: its own types would bring Node’s into core. */
declare module 'dxf-parser/dist/dxf-parser.js' {
  interface DxfPoint {
    readonly x: number;
    readonly y: number;
    readonly bulge?: number;
  }
  interface DxfEntity {
    readonly type: string;
    readonly layer?: string;
    readonly vertices?: readonly DxfPoint[];
    readonly shape?: boolean;
    readonly center?: DxfPoint;
    readonly radius?: number;
    readonly startAngle?: number;
    readonly endAngle?: number;
    readonly majorAxisEndPoint?: DxfPoint;
    readonly axisRatio?: number;
    readonly controlPoints?: readonly DxfPoint[];
    readonly fitPoints?: readonly DxfPoint[];
    readonly knotValues?: readonly number[];
    readonly degreeOfSplineCurve?: number;
    readonly closed?: boolean;
  }
  interface DxfDocument {
    readonly header: Readonly<Record<string, unknown>>;
    readonly entities: readonly DxfEntity[];
  }
  export default class DxfParser {
    parseSync(text: string): DxfDocument | null;
  }
}
