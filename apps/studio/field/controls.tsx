'use client';

import type { ControlName } from '@arbeit/engine/field';
import type { Field } from '@arbeit/react';
import { Boxes, isGroup, Picks } from '@arbeit/react';
import type { ComponentType } from 'react';
import { Line } from '../ui/line.tsx';

interface ControlProps {
  readonly field: Field;
  readonly label?: string;
  /** Whether somebody else, such as a server, says that the value is wrong. */
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
  return <Boxes {...props} classNames={boxes} />;
}

/** Controls of fields by the name their kind gives. */
const controls: Readonly<Record<ControlName, ComponentType<ControlProps>>> = {
  boxes: DressedBoxes,
  picks: DressedPicks,
};

/** The control of a field, by its kind. */
export function Control({ field, label, isWrong = false }: ControlProps) {
  const { control } = field.store.field.kind;
  const Own = control && controls[control];
  const named = label ? { label } : {};
  return Own ? <Own field={field} isWrong={isWrong} {...named} /> : <Line field={field} {...named} />;
}
