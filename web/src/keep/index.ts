export * from './database';
export * from './db';
export * from './machines';
export * from './starters';
export * from './files';
export * from './periods';
