'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { KindTable } from '../../engine/kinds/definition.ts';
import type { KindName } from '../../engine/kinds/index.ts';
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
  pattern: dynamic(() => import('../../engine/kinds/pattern/index.ts').then((own) => deskWith({ pattern: own.pattern }))),
  text: dynamic(() => import('../../engine/kinds/text/index.ts').then((own) => deskWith({ text: own.text }))),
  number: dynamic(() => import('../../engine/kinds/number/index.ts').then((own) => deskWith({ number: own.number }))),
  currency: dynamic(() => import('../../engine/kinds/number/index.ts').then((own) => deskWith({ currency: own.currency }))),
  percent: dynamic(() => import('../../engine/kinds/number/index.ts').then((own) => deskWith({ percent: own.percent }))),
  date: dynamic(() => import('../../engine/kinds/date/index.ts').then((own) => deskWith({ date: own.date }))),
  time: dynamic(() => import('../../engine/kinds/time/index.ts').then((own) => deskWith({ time: own.time }))),
  duration: dynamic(() => import('../../engine/kinds/duration/index.ts').then((own) => deskWith({ duration: own.duration }))),
  phone: dynamic(() => import('../../engine/kinds/phone/index.ts').then((own) => deskWith({ phone: own.phone }))),
  pin: dynamic(() => import('../../engine/kinds/boxes/index.ts').then((own) => deskWith({ pin: own.pin }))),
  'one-time-code': dynamic(() => import('../../engine/kinds/boxes/index.ts').then((own) => deskWith({ 'one-time-code': own.oneTimeCode }))),
  choice: dynamic(() => import('../../engine/kinds/choice/index.ts').then((own) => deskWith({ choice: own.choice }))),
  choices: dynamic(() => import('../../engine/kinds/choices/index.ts').then((own) => deskWith({ choices: own.choices }))),
  'yes-no': dynamic(() => import('../../engine/kinds/yes-no/index.ts').then((own) => deskWith({ 'yes-no': own.yesNo }))),
}; // biome-ignore format: a line a kind

/** The desk for a field of that kind. */
export function DeskFor({ kind, ...props }: DeskProps & { readonly kind: KindName }) {
  const Own = desks[kind];
  return <Own {...props} />;
}
