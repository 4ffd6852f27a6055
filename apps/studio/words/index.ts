// All texts by page, for tests; the studio imports single files.

export * as app from './app/index.ts';
export * as customCode from './custom-code/index.ts';
export * as desk from './desk/index.ts';
export * as field from './field/index.ts';
export * as form from './form/index.ts';
export * as glossary from './glossary/index.ts';
export * as handoff from './handoff/index.ts';
export * as later from './later.ts';
export * as model from './model/index.ts';
export * as revisions from './revisions/index.ts';
export * as set from './set/index.ts';
export * as shared from './shared.ts';
export * as shelf from './shelf/index.ts';
export * as store from './store/index.ts';
export * as texts from './texts/index.ts';
export * as trials from './trials/index.ts';
export * as ui from './ui/index.ts';
