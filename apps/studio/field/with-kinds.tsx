'use client';

import type { KindName, KindTable } from '@arbeit/engine/kinds';
import dynamic from 'next/dynamic';
import { type ComponentType, type ReactNode, useMemo } from 'react';
import { KindsProvider, useKinds } from './kinds-provider.tsx';

interface Held {
  readonly children: ReactNode;
}

/** Gives what is in it these kinds, beside those it has already. */
const holding = (own: KindTable) =>
  function Holding({ children }: Held) {
    const outer = useKinds();
    const all = useMemo(() => ({ ...outer, ...own }), [outer]);
    return (
      <KindsProvider value={all} fetch={fetchKind}>
        {children}
      </KindsProvider>
    );
  };

/**
 * For each kind a component that gives it to what is in it, which the server renders and which loads no other
 * kind, and the kind itself, for a field that is changed to it. Both are written out, because only an import
 * written directly in `dynamic` lets the page know in advance what it needs.
 */
const kinds: Readonly<
  Record<KindName, { readonly With: ComponentType<Held>; readonly fetch: () => Promise<KindTable> }>
> = {
  pattern: { With: dynamic(() => import('@arbeit/engine/kinds/pattern').then((own) => holding({ pattern: own.pattern }))), fetch: () => import('@arbeit/engine/kinds/pattern').then((own) => ({ pattern: own.pattern })) },
  text: { With: dynamic(() => import('@arbeit/engine/kinds/text').then((own) => holding({ text: own.text }))), fetch: () => import('@arbeit/engine/kinds/text').then((own) => ({ text: own.text })) },
  number: { With: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => holding({ number: own.number }))), fetch: () => import('@arbeit/engine/kinds/number').then((own) => ({ number: own.number })) },
  currency: { With: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => holding({ currency: own.currency }))), fetch: () => import('@arbeit/engine/kinds/number').then((own) => ({ currency: own.currency })) },
  percent: { With: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => holding({ percent: own.percent }))), fetch: () => import('@arbeit/engine/kinds/number').then((own) => ({ percent: own.percent })) },
  date: { With: dynamic(() => import('@arbeit/engine/kinds/date').then((own) => holding({ date: own.date }))), fetch: () => import('@arbeit/engine/kinds/date').then((own) => ({ date: own.date })) },
  time: { With: dynamic(() => import('@arbeit/engine/kinds/time').then((own) => holding({ time: own.time }))), fetch: () => import('@arbeit/engine/kinds/time').then((own) => ({ time: own.time })) },
  'date-time': { With: dynamic(() => import('@arbeit/engine/kinds/date-time').then((own) => holding({ 'date-time': own.dateTime }))), fetch: () => import('@arbeit/engine/kinds/date-time').then((own) => ({ 'date-time': own.dateTime })) },
  duration: { With: dynamic(() => import('@arbeit/engine/kinds/duration').then((own) => holding({ duration: own.duration }))), fetch: () => import('@arbeit/engine/kinds/duration').then((own) => ({ duration: own.duration })) },
  phone: { With: dynamic(() => import('@arbeit/engine/kinds/phone').then((own) => holding({ phone: own.phone }))), fetch: () => import('@arbeit/engine/kinds/phone').then((own) => ({ phone: own.phone })) },
  pin: { With: dynamic(() => import('@arbeit/engine/kinds/boxes').then((own) => holding({ pin: own.pin }))), fetch: () => import('@arbeit/engine/kinds/boxes').then((own) => ({ pin: own.pin })) },
  'one-time-code': { With: dynamic(() => import('@arbeit/engine/kinds/boxes').then((own) => holding({ 'one-time-code': own.oneTimeCode }))), fetch: () => import('@arbeit/engine/kinds/boxes').then((own) => ({ 'one-time-code': own.oneTimeCode })) },
  choice: { With: dynamic(() => import('@arbeit/engine/kinds/choice').then((own) => holding({ choice: own.choice }))), fetch: () => import('@arbeit/engine/kinds/choice').then((own) => ({ choice: own.choice })) },
  choices: { With: dynamic(() => import('@arbeit/engine/kinds/choices').then((own) => holding({ choices: own.choices }))), fetch: () => import('@arbeit/engine/kinds/choices').then((own) => ({ choices: own.choices })) },
  'yes-no': { With: dynamic(() => import('@arbeit/engine/kinds/yes-no').then((own) => holding({ 'yes-no': own.yesNo }))), fetch: () => import('@arbeit/engine/kinds/yes-no').then((own) => ({ 'yes-no': own.yesNo })) },
  custom: { With: dynamic(() => import('@arbeit/engine/kinds/custom').then((own) => holding({ custom: own.custom }))), fetch: () => import('@arbeit/engine/kinds/custom').then((own) => ({ custom: own.custom })) },
}; // biome-ignore format: a line a kind

/** Loads a kind by its name. */
function fetchKind(kind: string): Promise<KindTable> {
  return kinds[kind as KindName].fetch();
}

/** Gives what is in it the kinds of these names, and no others. The page is hydrated once they are there. */
export function WithKinds({ names, children }: Held & { readonly names: readonly string[] }) {
  const [first, ...others] = names.filter((name) => Object.hasOwn(kinds, name));
  if (first === undefined)
    return (
      <KindsProvider value={none} fetch={fetchKind}>
        {children}
      </KindsProvider>
    );
  const { With } = kinds[first as KindName];
  return <With>{others.length > 0 ? <WithKinds names={others}>{children}</WithKinds> : children}</With>;
}

const none: KindTable = {};
