'use client';

import type { Field } from '@arbeit/react';
import { Boxes, isGroup, Picks } from '@arbeit/react';
import type { ComponentType } from 'react';
import { Line } from '../ui/line.tsx';

interface ControlProps {
  readonly field: Field;
  readonly label?: string;
  /** Somebody else says the value is wrong. */
  readonly isWrong?: boolean;
}

function DressedPicks({ field, label }: ControlProps) {
  return <Picks field={field} label={label} className={isGroup(field) ? 'picks' : 'entry value'} />;
}

const boxes = {
  root: 'flex flex-wrap items-center gap-3',
  frame: 'boxes',
  row: 'flex gap-[0.7em]',
  group: 'flex gap-[0.25em]',
  box: 'box',
  input: 'boxes-input',
  reveal: 'word-button text-sm',
};

function DressedBoxes(props: ControlProps) {
  return <Boxes {...props} dress={boxes} />;
}

/** What kinds are typed into that are not typed into one line. */
const controls: Readonly<Record<string, ComponentType<ControlProps>>> = {
  pin: DressedBoxes,
  'one-time-code': DressedBoxes,
  choice: DressedPicks,
  choices: DressedPicks,
  'yes-no': DressedPicks,
};

/** What a field is typed into, by its kind. */
export function Control({ field, label, isWrong = false }: ControlProps) {
  const Own = controls[field.store.field.plan.kind];
  const named = label ? { label } : {};
  return Own ? <Own field={field} isWrong={isWrong} {...named} /> : <Line field={field} {...named} />;
}
