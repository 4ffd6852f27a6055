'use client';

import { createStore, evaluateOn, type FieldStore, follow } from '@arbeit/dom';
import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import type { KindTable } from '@arbeit/engine/kinds';
import { Message, useField } from '@arbeit/react';
import { useEffect, useMemo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { Line as TypedLine } from '../../ui/line.tsx';
import * as words from '../../words/desk/shared-value.ts';
import { drawingOf } from './kind-columns.ts';

/** The same field with another display of the same value, if its kind has one. */
export function otherDisplay(
  field: FieldDocument,
  set: Pick<SetDocument, 'locale' | 'classes'>,
  kinds: KindTable,
): { readonly field: FieldDocument; readonly label: string } | undefined {
  const compiled = compileField(field, set, kinds);
  const other = drawingOf(compiled, kinds).other?.(compiled.plan);
  if (!other) return undefined;
  // Initial value and placeholder are written for the other display.
  const { placeholder: _, initial: __, ...rest } = field;
  const entry = { ...field.entry, ...other.entry };
  return { field: { ...rest, id: `${field.id}-other`, entry } as FieldDocument, label: other.label };
}

/** The same value with another display. It follows the field; typing in it does not change the field. */
export function SharedValue({
  definition,
  own,
  set,
  today,
}: {
  readonly definition: FieldDocument;
  readonly own: FieldStore;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  readonly today: string | undefined;
}) {
  const kinds = useKinds();
  const other = useMemo(() => otherDisplay(definition, set, kinds), [definition, set, kinds]);
  const store = useMemo(
    () => (other ? createStore(compileField(other.field, set, kinds), evaluateOn(today)) : undefined),
    [other, set, today, kinds],
  );
  useEffect(() => (store ? follow(own, [store]) : undefined), [own, store]);
  if (!other || !store) return null;
  return <Second store={store} label={`${definition.label || definition.id}, ${other.label}`} />;
}

const message = { root: 'min-h-6 text-sm text-marigold data-[severity=error]:text-brick' };

function Second({ store, label }: { readonly store: FieldStore; readonly label: string }) {
  const field = useField(store.field, { store });
  return (
    <div className="mt-3 max-w-md">
      <span className="caption">{words.linkedDisplay(label.split(', ').at(-1) ?? '')}</span>
      <TypedLine field={field} label={label} />
      <Message field={field} classNames={message} />
    </div>
  );
}
