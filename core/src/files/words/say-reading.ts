import type { IndicatorReading } from '../../place/indicator/index.ts';
import { figure, fixed } from '../../ground/units/index.ts';

/** A reading in words: "08:20:15", "moon 11.3 days old", "247.3 turns". */
export function sayReading(reading: IndicatorReading): string {
  switch (reading.kind) {
    case 'clock':
      return sayClock(reading.seconds, reading.full);
    case 'days':
      return `${fixed(reading.days, 1)} days`;
    case 'age':
      return `moon ${fixed(reading.days, 1)} days old`;
    case 'scale':
      return `${fixed(reading.value, placesFor(reading.full))} ${reading.unit}`.trim();
    case 'names':
      return reading.name;
    case 'turns':
      return `${fixed(reading.turns, 1)} turns`;
    case 'degrees':
      return `${fixed(reading.degrees, 1)}°`;
  }
}

/** As many places as show a thousandth of the full turn. */
const placesFor = (full: number): number => Math.min(6, Math.max(0, Math.ceil(3 - Math.log10(full))));

/** A hair, so that a hand that stands at 8:20 is not read a second early for its last digit. */
const HAIR = 1e-6;

/** Hours, minutes and seconds begun; minutes and seconds on a dial of an hour or less; seconds on one of a minute. */
function sayClock(seconds: number, full: number): string {
  if (full <= 60) return `${figure(seconds, 3)} s`;
  const whole = Math.floor(seconds + HAIR);
  const pad = (n: number): string => String(n).padStart(2, '0');
  const rest = `${pad(Math.floor(whole / 60) % 60)}:${pad(whole % 60)}`;
  return full <= 3600 ? rest : `${pad(Math.floor(whole / 3600))}:${rest}`;
}
