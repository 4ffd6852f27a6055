'use client';

import type { Field } from '@arbeit/react';
import type { ComponentType } from 'react';
import { CodeSender } from '../desk/code-sender.tsx';
import { Calendar } from '../sheet/calendar.tsx';
import { Counter } from '../sheet/counter.tsx';
import { PartLabels } from '../sheet/part-labels.tsx';
import { RegionPicker } from '../sheet/region-picker.tsx';

/** What stands around the line of a kind. Most have nothing of it. */
interface Face {
  readonly Before?: ComponentType<{ readonly field: Field }>;
  /** `today` is the clock it goes by, the device's own where it is left out. */
  readonly Behind?: ComponentType<{ readonly field: Field; readonly today: string | undefined }>;
  readonly Beneath?: ComponentType<{ readonly field: Field }>;
  /** On the desk alone: a stand-in for what the kind works with outside. */
  readonly StandIn?: ComponentType<{ readonly field: Field; readonly onAnswer: (problem: string) => void }>;
}

/** Minutes without hours: passing the hours by, as their unit would. */
const DurationLabels = ({ field }: { readonly field: Field }) => <PartLabels field={field} passing=":" />;

const faces: Readonly<Record<string, Face>> = {
  phone: { Before: RegionPicker },
  text: { Behind: Counter },
  date: { Behind: Calendar, Beneath: PartLabels },
  time: { Beneath: PartLabels },
  duration: { Beneath: DurationLabels },
  'one-time-code': { StandIn: CodeSender },
};

const bare: Face = {};

export const faceOf = (field: Field): Face => faces[field.store.field.plan.kind] ?? bare;
