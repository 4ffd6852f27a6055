'use client';

import { boxes, defineFields, picks } from '@arbeit/element';
import type { Field } from '@arbeit/react';
import { useLayoutEffect, useRef } from 'react';

/** Defines the element once per page; each element gets its field from its surroundings. */
function define(): void {
  if (!customElements.get('arbeit-field')) defineFields([], { drawings: [boxes, picks] });
}

/** The field as handed off: the element itself, connected to the store that the desk shows. */
export function AsElement({ field }: { readonly field: Field }) {
  const place = useRef<HTMLDivElement>(null);
  const { store } = field;
  useLayoutEffect(() => {
    define();
    const around = place.current;
    if (!around) return;
    // The element asks its surroundings for the store of its field
    // (`packages/element/src/field-element.ts`).
    Object.assign(around, { storeOf: () => store });
    const element = document.createElement('arbeit-field');
    element.setAttribute('field', store.field.id);
    around.replaceChildren(element);
    return () => element.remove();
  }, [store]);
  return <div ref={place} className="as-element" />;
}
