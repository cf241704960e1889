/** Reading what people type, saying figures. */
export * from './time-unit.ts';
export * from './wanted.ts';
export * from './tolerance.ts';
export * from './travel.ts';
export * from './length.ts';
export * from './module-series.ts';
export * from './angle.ts';
export * from './say-number.ts';
export * from './calendar.ts';
