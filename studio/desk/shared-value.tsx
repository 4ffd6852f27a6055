'use client';

import { useEffect, useMemo } from 'react';
import { readOn } from '../../dom/clock.ts';
import { share } from '../../dom/share.ts';
import { createStore, type FieldStore } from '../../dom/store.ts';
import { compileField } from '../../engine/compile/compile.ts';
import type { FieldDocument } from '../../engine/compile/document.ts';
import { useField } from '../../react/use-field.ts';
import { GhostedInput } from '../sheet/ghosted-input.tsx';

/** The same field with another display of the same value, where its kind has one. */
export function otherDisplay(
  field: FieldDocument,
): { readonly field: FieldDocument; readonly label: string } | undefined {
  const make = (entry: object, label: string) => ({
    field: { ...field, id: `${field.id}-other`, entry: { ...field.entry, ...entry } } as FieldDocument,
    label,
  });
  switch (field.kind) {
    case 'duration':
      return field.entry.units?.length === 1
        ? make({ units: ['h', 'min'] }, 'in hours and minutes')
        : make({ units: ['min'] }, 'in minutes');
    case 'currency':
    case 'number':
    case 'percent':
      return field.entry.fill === 'right'
        ? make({ fill: 'left' }, 'filled from the left')
        : make({ fill: 'right' }, 'filled from the right');
    case 'date':
      return field.entry.order === 'ymd'
        ? make({ order: 'locale', resting: 'same' }, 'in the locale’s order')
        : make({ order: 'ymd', resting: 'same' }, 'year first');
    case 'phone':
      return field.entry.style === 'international'
        ? make({ style: 'national' }, 'written nationally')
        : make({ style: 'international' }, 'written internationally');
    default:
      return undefined;
  }
}

/** A second field on the same value with another display: change either, the other follows. */
export function SharedValue({
  definition,
  own,
  locale,
  today,
}: {
  readonly definition: FieldDocument;
  readonly own: FieldStore;
  readonly locale: string;
  readonly today: string | undefined;
}) {
  const other = useMemo(() => otherDisplay(definition), [definition]);
  const store = useMemo(
    () => (other ? createStore(compileField(other.field, { locale }), readOn(today)) : undefined),
    [other, locale, today],
  );
  useEffect(() => {
    if (!store) return;
    const { value } = own.reading();
    if (value !== null) store.dispatch({ type: 'set', text: value });
    return share([own, store]);
  }, [own, store]);
  if (!other || !store) return null;
  return <Second store={store} label={`${definition.label || definition.id}, ${other.label}`} />;
}

function Second({ store, label }: { readonly store: FieldStore; readonly label: string }) {
  const field = useField(store.field, { store });
  return (
    <div className="mt-3 max-w-md">
      <span className="caption">The same value, {label.split(', ').at(-1)}</span>
      <GhostedInput field={field} label={label} />
    </div>
  );
}
