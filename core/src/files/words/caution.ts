import type { Caution } from '../../making/process/index.ts';

/** The cautions in words. Local codes and the instructions of the tool come first. */
export const CAUTIONS: Readonly<Record<Caution, string>> = {
  'laser-chlorine': 'Never cut PVC or other chlorinated sheet: the fumes poison you and eat the machine.',
  'laser-fire': 'Stay with the laser while it cuts, with an extinguisher at hand.',
  eyes: 'Wear eye protection that is made for this tool.',
  fumes: 'Lead fumes outside or through a filter; ventilate the room.',
  'hot-parts': 'Nozzle, bed, heat gun and fresh plastic burn.',
  dust: 'Wood and MDF dust harms the lungs: extract it and wear a mask.',
  guards: 'Keep guards on and clamp the work.',
  'no-gloves': 'No gloves, loose sleeves or long hair at rotating tools.',
  'small-work': 'Hold small wheels in a jig, not in the fingers.',
  pinch: 'Running gears pinch: guard a model that a motor drives or that children crank.',
  magnets: 'Small strong magnets: swallowed, they kill. Keep them from children, and from pacemakers.',
  'stored-energy':
    'Wound springs and raised weights store energy: let them down before you open the machine.',
  'small-parts': 'Small pins are swallowed easily: keep them from children.',
  mains: 'Mains power belongs to a licensed person and to local codes; guard what a motor drives.',
  strength:
    'No figure here proves strength. Nothing made from it is for lifting people or for ' +
    'safety parts; mains power and hanging weights are for local codes and a licensed person.',
};
