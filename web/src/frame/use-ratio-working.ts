import type { Stage } from '@tesseron/core/search';
import { byId } from '@tesseron/core/machine';
import { ratioWorking } from '@tesseron/core/working';
import { useOpen } from '../machine/use-open';
import { useWorking } from './use-working';

/**
 * Shows how a train's ratio, error and drift against an aim are worked out; nothing for an aim that has no wanted
 * rate.
 */
export function useRatioWorking(): {
  show: (aimId: string | undefined, stages: readonly Stage[] | undefined) => void;
} {
  const { machine, derived } = useOpen();
  const working = useWorking();
  return {
    show(aimId, stages) {
      const aim = byId(machine.value.aims, aimId);
      const state = aim && derived.value.aims[aim.id];
      if (!aim || !state?.wanted || !stages) return;
      const { driveSeconds, driveMetres } = derived.value;
      working.show(
        ratioWorking({
          stages,
          wanted: state.wanted,
          driveSeconds,
          driveMetres,
          span: state.span,
          spanText: aim.tolerance.over,
        }),
      );
    },
  };
}
