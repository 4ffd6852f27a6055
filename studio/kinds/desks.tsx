'use client';

import type { KindName, KindTable } from '@arbeit/engine/kinds';
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import { Desk, type DeskProps } from '../desk/desk.tsx';
import { Alive } from '../sheet/alive.tsx';
import { KindsAtHand } from './at-hand.tsx';

/** A desk that carries these kinds. The page is taken over once they are there. */
const deskWith = (kinds: KindTable) =>
  function DeskWithKinds(props: DeskProps) {
    return (
      <KindsAtHand value={kinds}>
        <Desk {...props} />
        <Alive />
      </KindsAtHand>
    );
  };

/** The desk of each kind: it is in the page as it comes from the server, and carries no other kind. */
const desks: Readonly<Record<KindName, ComponentType<DeskProps>>> = {
  pattern: dynamic(() => import('@arbeit/engine/kinds/pattern').then((own) => deskWith({ pattern: own.pattern }))),
  text: dynamic(() => import('@arbeit/engine/kinds/text').then((own) => deskWith({ text: own.text }))),
  number: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => deskWith({ number: own.number }))),
  currency: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => deskWith({ currency: own.currency }))),
  percent: dynamic(() => import('@arbeit/engine/kinds/number').then((own) => deskWith({ percent: own.percent }))),
  date: dynamic(() => import('@arbeit/engine/kinds/date').then((own) => deskWith({ date: own.date }))),
  time: dynamic(() => import('@arbeit/engine/kinds/time').then((own) => deskWith({ time: own.time }))),
  duration: dynamic(() => import('@arbeit/engine/kinds/duration').then((own) => deskWith({ duration: own.duration }))),
  phone: dynamic(() => import('@arbeit/engine/kinds/phone').then((own) => deskWith({ phone: own.phone }))),
  pin: dynamic(() => import('@arbeit/engine/kinds/boxes').then((own) => deskWith({ pin: own.pin }))),
  'one-time-code': dynamic(() => import('@arbeit/engine/kinds/boxes').then((own) => deskWith({ 'one-time-code': own.oneTimeCode }))),
  choice: dynamic(() => import('@arbeit/engine/kinds/choice').then((own) => deskWith({ choice: own.choice }))),
  choices: dynamic(() => import('@arbeit/engine/kinds/choices').then((own) => deskWith({ choices: own.choices }))),
  'yes-no': dynamic(() => import('@arbeit/engine/kinds/yes-no').then((own) => deskWith({ 'yes-no': own.yesNo }))),
}; // biome-ignore format: a line a kind

/** The desk for a field of that kind. */
export function DeskFor({ kind, ...props }: DeskProps & { readonly kind: KindName }) {
  const Own = desks[kind];
  return <Own {...props} />;
}
