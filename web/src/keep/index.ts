export * from './database';
export * from './db';
export * from './machines';
export * from './shelf';
export * from './starters';
export * from './starter-list';
export * from './files';
export * from './periods';
