'use client';

import type { AdornmentName } from '@arbeit/engine/field';
import type { KindTable } from '@arbeit/engine/kinds';
import { Counter as BareCounter, PartLabels as BareLabels, type Field } from '@arbeit/react';
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import { Calendar } from '../ui/calendar.tsx';

/** Of few kinds, and so only on their pages. */
const CodeSender = dynamic(() => import('./code-sender.tsx').then((own) => own.CodeSender));
const RegionPicker = dynamic(() => import('./region-picker.tsx').then((own) => own.RegionPicker));

/** What is drawn around the line of a field. Most kinds have nothing of it. */
interface Adornments {
  readonly Before?: ComponentType<{ readonly field: Field }>;
  /** `today` is the clock (ISO 8601). Default: the device's. */
  readonly Behind?: ComponentType<{ readonly field: Field; readonly today: string | undefined }>;
  readonly Beneath?: ComponentType<{ readonly field: Field }>;
}

const labels = {
  root: 'flex gap-3 text-sm',
  part: 'caption border-b border-dotted border-line hover:text-oxide',
};
const PartLabels = ({ field }: { readonly field: Field }) => <BareLabels field={field} classNames={labels} />;
/** Labels for durations: ":" passes the hours, as their unit would. */
const UnitLabels = ({ field }: { readonly field: Field }) => (
  <BareLabels field={field} classNames={labels} passing=":" />
);

const counter = {
  root: 'value min-w-8 text-right text-sm text-faint data-full:text-marigold',
  said: 'sr-only',
};
const Counter = ({ field }: { readonly field: Field }) => <BareCounter field={field} classNames={counter} />;

const adornments: Readonly<Record<AdornmentName, Adornments>> = {
  'region-list': { Before: RegionPicker },
  counter: { Behind: Counter },
  calendar: { Behind: Calendar },
  'part-labels': { Beneath: PartLabels },
  'unit-labels': { Beneath: UnitLabels },
};

/** What is drawn around the line of a field, as its kind names it. */
export const adornmentsOf = (field: Field): Adornments =>
  Object.assign({}, ...adornmentNames(field).map((name) => adornments[name]));

const adornmentNames = ({ store }: Field): readonly AdornmentName[] =>
  store.field.kind.adornments?.(store.field.plan) ?? [];

/** The stand-in of a field on its desk; `undefined` if its kind works with nothing outside. */
export const standInOf = (field: Field, kinds: KindTable): typeof CodeSender | undefined =>
  kinds[field.store.field.plan.kind]?.draw.standIn ? CodeSender : undefined;
