'use client';

import { boxes, defineFields, picks } from '@arbeit/element';
import type { Field } from '@arbeit/react';
import { useLayoutEffect, useRef } from 'react';

/** The element is defined once a page; which field it is, what is around it says. */
function define(): void {
  if (!customElements.get('arbeit-field')) defineFields([], { drawings: [boxes, picks] });
}

/** The field as it is handed off: the element itself, on the very store the desk watches. */
export function AsElement({ field }: { readonly field: Field }) {
  const place = useRef<HTMLDivElement>(null);
  const { store } = field;
  useLayoutEffect(() => {
    define();
    const around = place.current;
    if (!around) return;
    // Whoever has stores for the fields inside is asked for them (`packages/element/src/field-element.ts`).
    Object.assign(around, { storeOf: () => store });
    const element = document.createElement('arbeit-field');
    element.setAttribute('field', store.field.id);
    around.replaceChildren(element);
    return () => element.remove();
  }, [store]);
  return <div ref={place} className="as-element" />;
}
