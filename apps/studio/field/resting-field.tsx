'use client';

import { type Field, Resting } from '@arbeit/react';
import { Control } from './controls.tsx';

const classNames = {
  name: 'block font-semibold',
  box: 'mt-1 min-h-[2.1rem]',
  text: 'entry value border-transparent text-left underline decoration-dotted underline-offset-4 hover:bg-wash',
  empty: 'text-faint',
  message: 'min-h-6 pt-0.5 text-sm text-brick',
};

/** A field that shows formatted text and becomes an input in its place. */
export const RestingField = ({ field }: { readonly field: Field }) => (
  <Resting field={field} classNames={classNames}>
    <Control field={field} label={field.store.field.label} />
  </Resting>
);
