'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { useState } from 'react';
import { sendField } from '../../model/other-sets.ts';
import type { EditedSet } from '../../model/use-set.ts';
import type { ListedSet } from '../../store/sets.ts';
import { later, useLater } from '../../ui/later.tsx';
import { Menu } from '../../ui/pop-out.tsx';
import type { ButtonProps, MenuItem } from '../../ui/pop-out-props.ts';

/** The dialogs are loaded when needed. */
const dialogs = later(() => import('./field-dialogs.tsx'));

const edits = () => import('../../model/field-edits.ts');

type OpenDialog = 'rename' | 'kind' | 'locale' | 'send';

/** Everything that can be done with a whole field, in one menu. */
export function FieldMenu({
  set,
  field,
  trigger,
  button,
  more = [],
  deliver = (to, one) => sendField(to.key, one, set.document.classes),
  onMade,
  onRenamed,
  onTurned = () => undefined,
  onDelete,
}: {
  readonly set: EditedSet;
  readonly field: FieldDocument;
  readonly trigger: string;
  readonly button: ButtonProps;
  /** Items of the page itself, listed first. */
  readonly more?: readonly MenuItem[];
  /** Adds a field to another set; resolves to an error message, or ''. */
  readonly deliver?: (to: ListedSet, field: FieldDocument) => Promise<string>;
  /** Called with the id of a new field. */
  readonly onMade: (id: string) => void;
  readonly onRenamed: (id: string) => void;
  /** Called after a change of its kind. */
  readonly onTurned?: () => void;
  readonly onDelete: () => void;
}) {
  const [asked, setAsked] = useState<OpenDialog | null>(null);
  const { it: loaded, want } = useLater(dialogs);
  const ask = (what: OpenDialog) => {
    want();
    setAsked(what);
  };
  const close = () => setAsked(null);
  const at = set.document.fields.findIndex(({ id }) => id === field.id);
  const move = async (to: number) => {
    const { moveField } = await edits();
    set.edit((d) => moveField(d, field.id, to));
  };
  const items: readonly MenuItem[] = [
    ...more,
    {
      id: 'duplicate',
      label: 'Duplicate',
      isApart: more.length > 0,
      onSelect: async () => {
        const { duplicateField } = await edits();
        const { set: next, id } = duplicateField(set.document, field.id);
        await set.editAndSave(() => next);
        onMade(id);
      },
    },
    { id: 'rename', label: 'Change id…', note: field.id, onSelect: () => ask('rename') },
    { id: 'kind', label: 'Change kind…', note: field.kind, onSelect: () => ask('kind') },
    { id: 'locale', label: 'Locale…', note: field.locale ?? `${set.document.locale} (from set)`, onSelect: () => ask('locale') },
    { id: 'send', label: 'Copy or move to another set…', onSelect: () => ask('send') },
    { id: 'up', label: 'Move up', isApart: true, onSelect: () => move(at - 1) },
    { id: 'down', label: 'Move down', onSelect: () => move(at + 1) },
    { id: 'delete', label: 'Delete', isApart: true, onSelect: onDelete },
  ]; // biome-ignore format: one entry a line
  return (
    <>
      <Menu trigger={trigger} button={button} align="end" className="min-w-64" items={() => items} />
      {loaded && asked === 'rename' && (
        <loaded.RenameDialog
          set={set}
          field={field}
          onClose={close}
          onDone={(id) => {
            close();
            if (id !== field.id) onRenamed(id);
          }}
        />
      )}
      {loaded && asked === 'kind' && (
        <loaded.KindDialog
          set={set}
          field={field}
          onClose={close}
          onDone={() => {
            close();
            onTurned();
          }}
        />
      )}
      {loaded && asked === 'locale' && <loaded.LocaleDialog set={set} field={field} onClose={close} />}
      {loaded && asked === 'send' && (
        <loaded.SendDialog
          set={set}
          field={field}
          onClose={close}
          onSend={async (to, moves) => {
            const wrong = await deliver(to, field);
            if (wrong) return wrong;
            close();
            // Moved: the field is removed here; undo restores it here.
            if (!moves) return '';
            const { removeField } = await import('../../model/references.ts');
            set.edit((d) => removeField(d, field.id));
            return '';
          }}
        />
      )}
    </>
  );
}
