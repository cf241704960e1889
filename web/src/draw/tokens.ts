/** The colours of the application, by day (drafting film) and by night (a dim workshop). One meaning each. */
export interface Tokens {
  readonly ground: string;
  readonly panel: string;
  readonly ink: string;
  readonly muted: string;
  readonly hairline: string;
  /** What moves, and the drive: nothing else. */
  readonly accent: string;
  readonly stop: string;
  readonly warn: string;
  readonly fine: string;
  /** From slow to fast: how fast a wheel turns, everywhere. */
  readonly rate: readonly string[];
}

export const DAY: Tokens = {
  ground: '#e8ebe4',
  panel: '#f4f5f0',
  ink: '#1c2220',
  muted: '#505a55',
  hairline: '#b4bcb3',
  accent: '#b4380a',
  stop: '#a0152b',
  warn: '#7d5000',
  fine: '#2b6a4a',
  rate: ['#4b5580', '#3f7a94', '#4c9482', '#8fa04e', '#c9a13b'],
};

export const NIGHT: Tokens = {
  ground: '#15191a',
  panel: '#1c2122',
  ink: '#e4e8e2',
  muted: '#a5afa9',
  hairline: '#3b4545',
  accent: '#ff8c50',
  stop: '#ff8591',
  warn: '#e3b355',
  fine: '#7cc9a0',
  rate: ['#7480b8', '#5aa0bd', '#62b8a2', '#aebf66', '#e0bb58'],
};
