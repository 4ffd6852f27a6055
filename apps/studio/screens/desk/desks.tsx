'use client';

import type { KindName, KindTable } from '@arbeit/engine/kinds';
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import { KindsProvider } from '../../field/kinds-provider.tsx';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { Desk, type DeskProps } from '../desk/desk.tsx';

/** A desk that loads these kinds. The page is hydrated once they are there. */
const deskWith = (own: KindTable) =>
  function DeskWithKinds(props: DeskProps) {
    return (
      <KindsProvider value={own} fetch={fetchKind}>
        <Desk {...props} />
        <HydrationMarker />
      </KindsProvider>
    );
  };

/**
 * For each kind its desk, which the server renders and which loads no other kind, and the kind itself, for a
 * field that is changed to it. Both are written out, because only an import written directly in `dynamic`
 * lets the page know in advance what it needs.
 */
const kinds: Readonly<
  Record<KindName, { readonly Desk: ComponentType<DeskProps>; readonly fetch: () => Promise<KindTable> }>
> = {
  pattern: { Desk: dynamic(() => import('@arbeit/engine/kinds/pattern').then((own) => deskWith({ pattern: own.pattern }))), fetch: () => import('@arbeit/engine/kinds/pattern').then((own) => ({ pattern: own.pattern })) },
  text: { Desk: dynamic(() => import('@arbeit/engine/kinds/text').then((own) => deskWith({ text: own.text }))), fetch: () => import('@arbeit/engine/kinds/text').then((own) => ({ text: own.text })) },
  number: { Desk: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => deskWith({ number: own.number }))), fetch: () => import('@arbeit/engine/kinds/number').then((own) => ({ number: own.number })) },
  currency: { Desk: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => deskWith({ currency: own.currency }))), fetch: () => import('@arbeit/engine/kinds/number').then((own) => ({ currency: own.currency })) },
  percent: { Desk: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => deskWith({ percent: own.percent }))), fetch: () => import('@arbeit/engine/kinds/number').then((own) => ({ percent: own.percent })) },
  date: { Desk: dynamic(() => import('@arbeit/engine/kinds/date').then((own) => deskWith({ date: own.date }))), fetch: () => import('@arbeit/engine/kinds/date').then((own) => ({ date: own.date })) },
  time: { Desk: dynamic(() => import('@arbeit/engine/kinds/time').then((own) => deskWith({ time: own.time }))), fetch: () => import('@arbeit/engine/kinds/time').then((own) => ({ time: own.time })) },
  'date-time': { Desk: dynamic(() => import('@arbeit/engine/kinds/date-time').then((own) => deskWith({ 'date-time': own.dateTime }))), fetch: () => import('@arbeit/engine/kinds/date-time').then((own) => ({ 'date-time': own.dateTime })) },
  duration: { Desk: dynamic(() => import('@arbeit/engine/kinds/duration').then((own) => deskWith({ duration: own.duration }))), fetch: () => import('@arbeit/engine/kinds/duration').then((own) => ({ duration: own.duration })) },
  phone: { Desk: dynamic(() => import('@arbeit/engine/kinds/phone').then((own) => deskWith({ phone: own.phone }))), fetch: () => import('@arbeit/engine/kinds/phone').then((own) => ({ phone: own.phone })) },
  pin: { Desk: dynamic(() => import('@arbeit/engine/kinds/boxes').then((own) => deskWith({ pin: own.pin }))), fetch: () => import('@arbeit/engine/kinds/boxes').then((own) => ({ pin: own.pin })) },
  'one-time-code': { Desk: dynamic(() => import('@arbeit/engine/kinds/boxes').then((own) => deskWith({ 'one-time-code': own.oneTimeCode }))), fetch: () => import('@arbeit/engine/kinds/boxes').then((own) => ({ 'one-time-code': own.oneTimeCode })) },
  choice: { Desk: dynamic(() => import('@arbeit/engine/kinds/choice').then((own) => deskWith({ choice: own.choice }))), fetch: () => import('@arbeit/engine/kinds/choice').then((own) => ({ choice: own.choice })) },
  choices: { Desk: dynamic(() => import('@arbeit/engine/kinds/choices').then((own) => deskWith({ choices: own.choices }))), fetch: () => import('@arbeit/engine/kinds/choices').then((own) => ({ choices: own.choices })) },
  'yes-no': { Desk: dynamic(() => import('@arbeit/engine/kinds/yes-no').then((own) => deskWith({ 'yes-no': own.yesNo }))), fetch: () => import('@arbeit/engine/kinds/yes-no').then((own) => ({ 'yes-no': own.yesNo })) },
  custom: { Desk: dynamic(() => import('@arbeit/engine/kinds/custom').then((kind) => deskWith({ custom: kind.custom }))), fetch: () => import('@arbeit/engine/kinds/custom').then(({ custom }) => ({ custom })) },
}; // biome-ignore format: a line a kind

/** Loads a kind by its name. */
function fetchKind(kind: string): Promise<KindTable> {
  return kinds[kind as KindName].fetch();
}

/** The desk for a field of that kind. */
export function DeskFor({ kind, ...props }: DeskProps & { readonly kind: KindName }) {
  const Own = kinds[kind].Desk;
  return <Own {...props} />;
}
