import type { Drive, Machine } from '../../document/machine/types.ts';
import type { Edit } from './patch.ts';

/** A change of the drive; where nothing drives, the machine stays. */
const ofDrive =
  (change: (drive: Drive) => Drive): Edit =>
  machine =>
    machine.drive ? { ...machine, drive: change(machine.drive) } : machine;

/** Turns the machine by another arbor, with no speed said. */
export const chooseDrive =
  (member: string): Edit =>
  machine => ({ ...machine, drive: { member, speed: { kind: 'free' } } });

/** Says how fast the drive turns. */
export const setDriveSpeed = (speed: Drive['speed']): Edit => ofDrive(d => ({ ...d, speed }));

/** Says how far the drive rolls in a turn, as typed; nothing takes it away. */
export const setDriveTravel = (text: string): Edit =>
  ofDrive(({ travel: _, ...drive }) => (text === '' ? drive : { ...drive, travel: text }));

/** Says what turns the drive; undefined: not said. */
export const setDriveBy = (by: Drive['by'] | undefined): Edit =>
  ofDrive(({ by: _, ...drive }) => (by === undefined ? drive : { ...drive, by }));

/** Says which way the drive turns, seen from the front. */
export const setDriveWay = (clockwise: boolean): Edit =>
  ofDrive(({ turns: _, ...drive }) => (clockwise ? { ...drive, turns: 'clockwise' } : drive));

/** Says the date at which the machine starts; undefined: none. */
export const setStart =
  (start: Machine['start'] | undefined): Edit =>
  ({ start: _, ...machine }) =>
    start === undefined ? machine : { ...machine, start };
