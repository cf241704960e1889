import { byId, type Machine, type SetStage } from '../../document/machine/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { type WantedShift } from '../../counting/planetary/index.ts';
import { changeStage, type SetChange, shiftsAsTheyAre } from './change-set.ts';
import { followRims } from './follow-rims.ts';
import { type StageCounts, stageCounts, stageParts } from './stage-parts.ts';

/**
 * A machine after a change, with its sets followed: where a count or a shift of one wheel of a set was changed and the
 * set no longer goes together, the rest of it changes too. Refused where it cannot.
 */
export function followSets(before: Machine, after: Machine): Result<Machine> {
  if (before.wheels === after.wheels && before.toothings === after.toothings) return ok(after);
  let current = followRims(before, after);
  for (const set of after.sets) {
    const was = byId(before.sets, set.id);
    for (const stage of set.stages) {
      if (!was?.stages.some(s => s.sun === stage.sun && s.planet === stage.planet && s.ring === stage.ring))
        continue;
      const change = changeOf(before, current, stage);
      if (!change) continue;
      const made = changeStage(current, stage, change);
      if (!made.ok) return made;
      current = made.value;
    }
  }
  return ok(current);
}

/** What was asked of a stage by what was changed of its wheels; undefined where it goes together as it is. */
function changeOf(before: Machine, after: Machine, stage: SetStage): SetChange | undefined {
  const [was, now] = [stageParts(before, stage), stageParts(after, stage)];
  const [old, counts] = [was && stageCounts(was), now && stageCounts(now)];
  if (!was || !now || !old || !counts) return undefined;
  const asked = askedCounts(old, counts);
  const wheels = ['sun', 'planet', 'ring'] as const;
  const shifted = wheels.filter(w => (was[w].shift ?? 0) !== (now[w].shift ?? 0));
  const leant =
    (was.toothing.helixDeg ?? 0) !== (now.toothing.helixDeg ?? 0) || was.toothing.form !== now.toothing.form;
  if (Object.keys(asked).length === 0 && shifted.length === 0 && !leant) return undefined;
  const [first] = shifted;
  const wanted: WantedShift = first && { wheel: first, shift: now[first].shift ?? 0 };
  const teeth = { ...counts, form: now.toothing.form, helixDeg: now.toothing.helixDeg ?? 0 };
  const agrees = shiftsAsTheyAre(now, teeth) !== undefined;
  if (agrees && !leant) return undefined;
  if (agrees) return { shift: { wheel: 'sun', shift: now.sun.shift ?? 0 } };
  return Object.keys(asked).length === 0 && wanted ? { shift: wanted } : asked;
}

/** The counts that are others than they were. */
function askedCounts(old: StageCounts, now: StageCounts): SetChange {
  return {
    ...(now.sun !== old.sun && { sun: now.sun }),
    ...(now.planet !== old.planet && { planet: now.planet }),
    ...(now.ring !== old.ring && { ring: now.ring }),
    ...(now.second?.planet !== old.second?.planet && { second: now.second?.planet ?? 0 }),
    ...(now.second?.ring !== old.second?.ring && { secondRing: now.second?.ring ?? 0 }),
  };
}
