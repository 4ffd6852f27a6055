'use client';

import type { Field } from '@arbeit/react';
import { isGroup, Picks } from '@arbeit/react';
import type { ComponentType } from 'react';
import { CodeBoxes } from '../sheet/code-boxes.tsx';
import { GhostedInput } from '../sheet/ghosted-input.tsx';
import { Lines } from '../sheet/lines.tsx';

interface ControlProps {
  readonly field: Field;
  readonly label?: string;
  /** Somebody else says the value is wrong. */
  readonly isWrong?: boolean;
}

function DressedPicks({ field, label }: ControlProps) {
  return <Picks field={field} label={label} className={isGroup(field) ? 'picks' : 'entry value'} />;
}

/** What kinds are typed into that are not typed into one line. */
const controls: Readonly<Record<string, ComponentType<ControlProps>>> = {
  pin: CodeBoxes,
  'one-time-code': CodeBoxes,
  text: Lines,
  choice: DressedPicks,
  choices: DressedPicks,
  'yes-no': DressedPicks,
};

/** What a field is typed into, by its kind. */
export function Control({ field, label, isWrong = false }: ControlProps) {
  const Own = controls[field.store.field.plan.kind];
  const named = label ? { label } : {};
  return Own ? <Own field={field} isWrong={isWrong} {...named} /> : <GhostedInput field={field} {...named} />;
}
