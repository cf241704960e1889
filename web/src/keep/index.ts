import { openDatabase } from './db';

export * from './db';
export * from './machines';
export * from './starters';
export * from './files';

/** The database of this browser. */
export const database = openDatabase();
