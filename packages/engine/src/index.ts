/**
 * What a page with compiled fields needs: bring them to life, let things happen, read. The rooms have names
 * of their own.
 */
export * from './field/index.ts';
export * from './form/index.ts';
