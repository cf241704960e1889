import { Dexie, type EntityTable } from 'dexie';

/** One machine as it is kept in the browser: the document as data, and who wrote it when. */
export interface KeptMachine {
  readonly id: string;
  readonly name: string;
  readonly document: unknown;
  /** The document as it was when it could last be read, in case a later one cannot. */
  readonly readable?: unknown;
  /** Counts every write, so that two tabs cannot overwrite each other unseen. */
  readonly revision: number;
  readonly changedAt: number;
  /** When it was taken off the shelf; it can be put back. */
  readonly removedAt: number | undefined;
}

/** A period of the maker's own, as it was typed. */
export interface KeptPeriod {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly source: string;
}

export type Database = Dexie & {
  machines: EntityTable<KeptMachine, 'id'>;
  periods: EntityTable<KeptPeriod, 'id'>;
};

/** The maker's own store in this browser. */
export function openDatabase(name = 'tesseron'): Database {
  const db = new Dexie(name) as Database;
  db.version(1).stores({ machines: 'id, changedAt' });
  db.version(2).stores({ machines: 'id, changedAt', periods: 'id, name' });
  return db;
}
