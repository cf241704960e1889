/** What there is to know of a kind of file that is written here. */
export interface FileFormat {
  /** Its media type. */
  readonly media: string;
  /** What it carries. */
  readonly carries: 'machine' | 'drawing' | 'body' | 'table' | 'text' | 'picture' | 'everything';
  /** Bytes instead of text. */
  readonly bytes: boolean;
  /** It is read here, too. */
  readonly read: boolean;
}

/** Every kind of file by its ending. A new one is a line here, a writer beside it, and a reading of it in tests. */
export const FILE_FORMATS = {
  json: { media: 'application/json', carries: 'machine', bytes: false, read: true },
  svg: { media: 'image/svg+xml', carries: 'drawing', bytes: false, read: true },
  dxf: { media: 'image/vnd.dxf', carries: 'drawing', bytes: false, read: true },
  pdf: { media: 'application/pdf', carries: 'drawing', bytes: true, read: false },
  step: { media: 'model/step', carries: 'body', bytes: false, read: false },
  stl: { media: 'model/stl', carries: 'body', bytes: true, read: true },
  '3mf': { media: 'model/3mf', carries: 'body', bytes: true, read: true },
  csv: { media: 'text/csv', carries: 'table', bytes: false, read: false },
  txt: { media: 'text/plain', carries: 'text', bytes: false, read: false },
  png: { media: 'image/png', carries: 'picture', bytes: true, read: false },
  gif: { media: 'image/gif', carries: 'picture', bytes: true, read: false },
  zip: { media: 'application/zip', carries: 'everything', bytes: true, read: false },
} as const satisfies Readonly<Record<string, FileFormat>>;

export type FileEnding = keyof typeof FILE_FORMATS;

/** The kind of a file by its name. Throws for an ending that is not written here: that is the caller's bug. */
export function formatOf(name: string): FileFormat {
  const ending = name.slice(name.lastIndexOf('.') + 1);
  if (!Object.hasOwn(FILE_FORMATS, ending)) throw new Error(`formatOf: ${name}`);
  return FILE_FORMATS[ending as FileEnding];
}

/** The endings of all kinds that carry something and are read here, with their media types. */
export function readable(...carries: FileFormat['carries'][]): {
  readonly extensions: string[];
  readonly mimeTypes: string[];
} {
  const found = Object.entries(FILE_FORMATS).filter(([, f]) => f.read && carries.includes(f.carries));
  return { extensions: found.map(([e]) => `.${e}`), mimeTypes: found.map(([, f]) => f.media) };
}
