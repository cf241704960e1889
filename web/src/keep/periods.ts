import { type KnownPeriod } from '@tesseron/core/period';
import { parseWanted } from '@tesseron/core/units';
import type { Database, KeptPeriod } from './db';

/** The maker's own periods, by name; what can no longer be read is left out. */
export async function listPeriods(db: Database): Promise<KnownPeriod[]> {
  const kept = await db.periods.orderBy('name').toArray();
  return kept.flatMap(p => {
    if (!parseWanted(p.text).ok) return [];
    return [
      { id: p.id, name: p.name, group: 'your own', text: p.text, uncertaintySeconds: 0, source: p.source },
    ];
  });
}

/** Keeps a period of the maker's own; one of the same id is replaced. */
export const keepPeriod = (db: Database, period: KeptPeriod): Promise<string> => db.periods.put(period);

/** Takes a period of the maker's own away. */
export const dropPeriod = (db: Database, id: string): Promise<void> => db.periods.delete(id);
