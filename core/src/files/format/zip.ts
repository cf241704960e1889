import { strToU8, type Zippable, zipSync } from 'fflate';

/** Files by path, folders by a stroke; texts are written as UTF-8. */
export type Files = ReadonlyMap<string, string | Uint8Array>;

/** The first day that a zip archive can say: files say nothing of when they were made. */
const EPOCH = '1980-01-01T12:00:00';

/** How much a file is worth packing: what is packed already not at all, the rest quickly. */
const levelOf = (path: string): 0 | 1 => (/\.(3mf|pdf|png)$/.test(path) ? 0 : 1);

/** Files as one zip archive. The same files give the same bytes. */
export function writeZip(files: Files): Uint8Array<ArrayBuffer> {
  const packed: Zippable = {};
  for (const [path, data] of files)
    packed[path] = [typeof data === 'string' ? strToU8(data) : data, { level: levelOf(path), mtime: EPOCH }];
  return zipSync(packed) as Uint8Array<ArrayBuffer>;
}
