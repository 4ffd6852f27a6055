'use client';

import { type Picker, pickerOf } from '@arbeit/dom';
import { type ReactNode, useEffect, useRef } from 'react';
import type { Field } from './use-field.ts';

/**
 * A component that draws a button beside the control of a field, which opens a calendar or a list of regions,
 * for fields that have one.
 *
 * @example
 * const Picker = pickerWith({ calendar, 'region-list': regionList });
 * const Beside = ({ field }: { readonly field: Field }) => <Picker field={field} />;
 */
export function pickerWith(table: Readonly<Record<string, Picker>>): (props: {
  readonly field: Field;
  /** Replaces the device's clock (ISO 8601). */
  readonly today?: string | undefined;
}) => ReactNode {
  const picker = pickerOf(table);
  return function PickerPlace({ field: { store }, today }) {
    const place = useRef<HTMLSpanElement>(null);
    useEffect(() => picker(store, { today })(place.current!), [store, today]);
    return <span ref={place} data-arbeit="picker" />;
  };
}
