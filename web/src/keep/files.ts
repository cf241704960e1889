import type { DrawnLines } from '@tesseron/core/format/drawn-lines';
import { formatOf, readable } from '@tesseron/core/format/file-formats';
import { MOST_CHARACTERS, type Machine, readMachine } from '@tesseron/core/machine';
import { fail, type Result } from '@tesseron/core/result';
import { fileOpen, fileSave } from 'browser-fs-access';

/** Offers a text or bytes as a file to save; false when the maker thought better of it. */
export const saveFile = (data: BlobPart, name: string): Promise<boolean> =>
  saveBlob(new Blob([data], { type: formatOf(name).media }), name);

async function saveBlob(blob: Blob, name: string): Promise<boolean> {
  const ending = name.slice(name.lastIndexOf('.'));
  try {
    await fileSave(blob, { fileName: name, extensions: [ending] });
    return true;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return false;
    throw error;
  }
}

/** Lets the maker choose a machine file and reads it; undefined when they chose none. */
export async function openMachineFile(): Promise<Result<Machine> | undefined> {
  try {
    const file = await fileOpen({
      ...readable('machine'),
      description: 'Machine',
    });
    return await readMachineFile(file);
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined;
    throw error;
  }
}

/** Reads a machine from a file, without taking a huge one into memory. */
export async function readMachineFile(file: Blob): Promise<Result<Machine>> {
  if (file.size > 3 * MOST_CHARACTERS) {
    return fail('file-too-large', { megabytes: Math.round(file.size / 1e6), most: MOST_CHARACTERS / 1e6 });
  }
  return readMachine(await file.text());
}

/** A DXF or SVG drawing that the maker chose, as text; undefined when they chose none. */
export async function openDrawing(): Promise<{ name: string; text: string } | undefined> {
  try {
    const file = await fileOpen({
      ...readable('drawing'),
      description: 'Drawing',
    });
    return { name: file.name, text: file.size > MOST_CHARACTERS ? '' : await file.text() };
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined;
    throw error;
  }
}

/** The lines of a drawing: DXF by its ending, else SVG. The readers come when a file is opened. */
export async function readDrawing({
  name,
  text,
}: {
  name: string;
  text: string;
}): Promise<Result<DrawnLines>> {
  return /\.dxf$/i.test(name)
    ? (await import('@tesseron/core/format/read-dxf')).readDxf(text)
    : (await import('@tesseron/core/format/read-svg')).readSvg(text);
}

/** Whether a file that was opened is a table of figures. */
export const isTable = (name: string): boolean => /\.(csv|txt|tsv)$/i.test(name);

/** The most of a file for a cutter or a printer that is read, bytes. */
const MOST_BYTES = 200_000_000;

/**
 * A file as a cutter or a printer takes it, that the maker chose; undefined when they chose none, without bytes
 * when it is too large.
 */
export async function openToolFile(): Promise<{ name: string; bytes: Uint8Array } | undefined> {
  try {
    const file = await fileOpen({
      ...readable('drawing', 'body'),
      description: 'File for a cutter or a printer',
    });
    const bytes = file.size > MOST_BYTES ? new Uint8Array() : new Uint8Array(await file.arrayBuffer());
    return { name: file.name, bytes };
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined;
    throw error;
  }
}
