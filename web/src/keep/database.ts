import { openDatabase } from './db';

/** The database of this browser. */
export const database = openDatabase();
