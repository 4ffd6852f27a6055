import type { SetDocument } from '@arbeit/engine/document';
import type { KindTable } from '@arbeit/engine/kinds';
import type { Use } from '../adapters.ts';
import { usualPrefix } from '../modules.ts';
import { angularApp } from './angular.ts';
import { type Application, factsOf } from './application.ts';
import { nativeApp } from './native.ts';
import { nextApp } from './next.ts';
import { pageApp } from './page.ts';
import { reactApp } from './react.ts';
import { svelteApp } from './svelte.ts';
import { vueApp } from './vue.ts';

export type { Application, AppName } from './application.ts';

/**
 * Small applications that use a hand-off: one per framework that it includes, each with the first form of the
 * set, or with its fields if it has no form. Those that check records need the use `server`.
 */
export function applications(
  set: SetDocument,
  uses: readonly Use[],
  kinds: KindTable,
  prefix = usualPrefix,
): readonly Application[] {
  const facts = factsOf(set, kinds, prefix);
  if (!facts || (facts.form && !uses.includes('server'))) return [];
  const has = (use: Use): boolean => uses.includes(use);
  return [
    ...(has('react') ? [reactApp(facts), nextApp(facts)] : []),
    ...(has('native') ? [nativeApp(facts)] : []),
    ...(has('vue') ? [vueApp(facts)] : []),
    ...(has('svelte') ? [svelteApp(facts)] : []),
    ...(has('element') ? [angularApp(facts), pageApp(facts)] : []),
  ];
}
