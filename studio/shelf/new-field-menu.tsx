'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { addField } from '../definition/edits.ts';
import { shapeOf } from '../definition/shape-of.ts';
import { fromNothing, typicalShapes } from '../definition/shapes.ts';
import type { EditedSet } from '../definition/use-set.ts';
import { useKinds } from '../kinds/at-hand.tsx';
import { hasNotation } from '../kinds/notation.ts';
import { OpenedMenu } from '../sheet/pop-out-parts.tsx';
import { newFieldButton } from './new-field-button.ts';

/** What a new field can begin from. It opens as it comes. */
export function NewFieldMenu({ set, byKey }: { readonly set: EditedSet; readonly byKey: boolean }) {
  const kinds = useKinds();
  const router = useRouter();
  const create = async (shape: FieldDocument) => {
    const { id, set: document } = addField(set.document, withKnownClasses(shape, set.document));
    await set.editAndSave(() => document);
    router.push(`/sets/${set.id}/fields/${id}`);
  };
  return (
    <OpenedMenu
      trigger="New field"
      button={newFieldButton}
      byKey={byKey}
      align="end"
      className="min-w-72"
      items={() => [
        { id: 'from-nothing', label: 'From nothing', onSelect: () => create(fromNothing) },
        ...typicalShapes.map((shape, i) => ({
          id: shape.id,
          label: shape.label,
          note: shapeOf(shape, set.document, kinds),
          isApart: i === 0,
          onSelect: () => create(shape),
        })),
      ]}
    />
  );
}

/** A shape from the demo may use the demo's classes; where the set does not know them, their characters are written out. */
function withKnownClasses(shape: FieldDocument, set: SetDocument): FieldDocument {
  if (!hasNotation(shape)) return shape;
  const known: Readonly<Record<string, string>> = { check: '0-9X', hex: '0-9A-F' };
  let { pattern } = shape.entry;
  for (const [name, characters] of Object.entries(known))
    if (set.classes?.[name] === undefined)
      pattern = pattern.replace(new RegExp(`(<(?:[\\d-]+ )?)${name}\\b`, 'g'), `$1"${characters}"`);
  return { ...shape, entry: { ...shape.entry, pattern } };
}
