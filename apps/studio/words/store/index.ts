// Every text of these files, for tests; the studio imports single files, so that a page loads only its own.

export * from './backup.ts';
export * from './command.ts';
export * from './embedded.ts';
export * from './lock.ts';
export * from './read-on-server.ts';
export * from './save-set.ts';
export * from './server.ts';
export * from './services-records.ts';
export * from './store-error.ts';
export * from './workers-threads.ts';
