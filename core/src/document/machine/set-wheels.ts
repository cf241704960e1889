import type { SetStage } from './types.ts';

/** The wheels of a stage of a planetary set. */
export const setWheels = ({ sun, planet, ring, second }: SetStage): string[] => [
  sun,
  planet,
  ring,
  ...(second ? [second.planet, second.ring] : []),
];
