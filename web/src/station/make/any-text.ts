import { fail, ok, type Result } from '@tesseron/core/result';

const MOST = 120;

/** A name as the document takes it. */
export const anyText = (text: string): Result<string> =>
  text.length > MOST ? fail('name-too-long', { most: MOST }) : ok(text);
