'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { leaveNote } from '../../model/just-deleted.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { useCommands } from '../../ui/commands.tsx';
import { Link } from '../../ui/link.tsx';
import { FieldMenu } from '../set/field-menu.tsx';

/** Links to the previous and the next field, and actions on the whole field. */
export function FieldTurns({
  set,
  definition,
}: {
  readonly set: EditedSet;
  readonly definition: FieldDocument;
}) {
  const router = useRouter();
  const { fields } = set.document;
  const at = fields.findIndex(({ id }) => id === definition.id);
  const [before, after] = [fields[at - 1], fields[at + 1]];
  const hrefOf = (id: string) => `/sets/${set.key}/fields/${id}`;
  const go = (field: FieldDocument | undefined) => field && router.push(hrefOf(field.id));
  const nameOf = ({ label, id }: FieldDocument) => label || id;
  const remove = async () => {
    const { removeField } = await import('../../model/references.ts');
    leaveNote({ setKey: set.key, field: definition, at, before: set.document });
    await set.editAndSave((d) => removeField(d, definition.id));
    router.push('/');
  };
  useCommands('This field', [
    { id: 'previous', label: `Previous field${before ? `: ${nameOf(before)}` : ''}`, key: 'Alt+ArrowUp', run: () => go(before) },
    { id: 'next', label: `Next field${after ? `: ${nameOf(after)}` : ''}`, key: 'Alt+ArrowDown', run: () => go(after) },
    { id: 'shelf', label: 'Back to the shelf', key: 'b', run: () => router.push('/') },
    { id: 'alone', label: 'Open the field alone', run: () => router.push(`${hrefOf(definition.id)}/alone`) },
    { id: 'delete', label: 'Delete this field', run: remove },
  ]); // biome-ignore format: one command a line
  return (
    <span className="flex items-baseline gap-x-3">
      <Turn field={before} href={before && hrefOf(before.id)} sign="‹" word="Previous" />
      <Turn field={after} href={after && hrefOf(after.id)} sign="›" word="Next" />
      <FieldMenu
        set={set}
        field={definition}
        trigger="Field"
        button={{ className: 'word-button', 'aria-label': `Actions for ${nameOf(definition)}` }}
        more={[
          {
            id: 'alone',
            label: 'Open in its own page',
            onSelect: () => router.push(`${hrefOf(definition.id)}/alone`),
          },
        ]}
        onMade={(id) => router.push(hrefOf(id))}
        onRenamed={(id) => router.replace(hrefOf(id))}
        onDelete={remove}
      />
    </span>
  );
}

function Turn({
  field,
  href,
  sign,
  word,
}: {
  readonly field: FieldDocument | undefined;
  readonly href: string | undefined;
  readonly sign: string;
  readonly word: string;
}) {
  if (!field || !href)
    return (
      <span aria-hidden="true" className="turn text-rule">
        {sign}
      </span>
    );
  const name = field.label || field.id;
  return (
    <Link className="turn" href={href} aria-label={`${word} field: ${name}`} title={name}>
      {sign}
    </Link>
  );
}
