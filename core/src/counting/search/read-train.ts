import { fail, ok, type Result } from '../../ground/result/index.ts';
import { type Stage } from './candidate.ts';
import { MOST_STAGES } from './query.ts';

const MOST_COUNT_READ = 10000;

/**
 * Reads a train as people write it: `41/84 61/56`, `41/84 · 61/56`, `41:84, 61:56`; driving first. At most four stages.
 */
export function parseTrain(text: string): Result<Stage[]> {
  const parts = text
    .trim()
    .replace(/\s*[/:]\s*/g, '/')
    .split(/[\s,;·×*]+/)
    .filter(Boolean);
  if (parts.length === 0) return fail('train-empty');
  if (parts.length > MOST_STAGES) return fail('stages-not-searched', { most: MOST_STAGES });
  const stages: Stage[] = [];
  for (const part of parts) {
    const m = /^(\d{1,5})\/(\d{1,5})$/.exec(part);
    const [driving, driven] = [Number(m?.[1]), Number(m?.[2])];
    const fits = (n: number): boolean => n >= 1 && n <= MOST_COUNT_READ;
    if (!m || !fits(driving) || !fits(driven)) return fail('train-unreadable', { text: part.slice(0, 40) });
    stages.push({ driving, driven });
  }
  return ok(stages);
}
