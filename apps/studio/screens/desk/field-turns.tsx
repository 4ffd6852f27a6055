'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { leaveNote } from '../../model/just-deleted.ts';
import { leaveMade } from '../../model/just-made.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { useCommands } from '../../ui/commands.tsx';
import { Link } from '../../ui/link.tsx';
import * as words from '../../words/desk/field-turns.ts';
import { FieldMenu } from '../set/field-menu.tsx';
import { useNewField } from '../set/new-field-command.tsx';

/** Links to the previous and the next field, and actions on the whole field. */
export function FieldTurns({
  set,
  definition,
  onRenamed,
}: {
  readonly set: EditedSet;
  readonly definition: FieldDocument;
  /** Called with the new id of the field. */
  readonly onRenamed: (id: string) => void;
}) {
  const router = useRouter();
  const newField = useNewField(set);
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
  useCommands(words.thisField, [
    { id: 'previous', label: words.previousField(before ? `: ${nameOf(before)}` : ''), key: 'Alt+ArrowUp', run: () => go(before) },
    { id: 'next', label: words.nextField(after ? `: ${nameOf(after)}` : ''), key: 'Alt+ArrowDown', run: () => go(after) },
    { id: 'shelf', label: words.backToTheShelf, key: 'b', run: () => router.push('/') },
    { id: 'alone', label: words.openTheFieldAlone, run: () => router.push(`${hrefOf(definition.id)}/alone`) },
    { id: 'delete', label: words.deleteThisField, run: remove },
  ]); // biome-ignore format: one command a line
  return (
    <span className="flex items-baseline gap-x-3">
      <Turn field={before} href={before && hrefOf(before.id)} sign="‹" word={words.previous} />
      <Turn field={after} href={after && hrefOf(after.id)} sign="›" word={words.next} />
      <FieldMenu
        set={set}
        field={definition}
        trigger={words.field}
        button={{ className: 'word-button', 'aria-label': words.actionsFor(nameOf(definition)) }}
        more={[
          { id: 'new', label: words.newFieldInThisSet, onSelect: newField.open },
          {
            id: 'alone',
            label: words.openInItsOwnPage,
            onSelect: () => router.push(`${hrefOf(definition.id)}/alone`),
          },
        ]}
        onMade={async (id, saved) => {
          await saved;
          leaveMade(set.key, `fields/${id}`);
          router.push(hrefOf(id));
        }}
        onRenamed={onRenamed}
        onDelete={remove}
      />
      {newField.dialog}
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
    <Link className="turn" href={href} aria-label={words.fieldWithWordName(word, name)} title={name}>
      {sign}
    </Link>
  );
}
