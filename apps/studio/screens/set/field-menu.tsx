'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { useState } from 'react';
import { addNewId } from '../../model/new-ids.ts';
import type { EditedSet } from '../../model/use-set.ts';
import type { ListedSet } from '../../store/sets.ts';
import { later, useLater } from '../../ui/later.tsx';
import { Menu } from '../../ui/pop-out.tsx';
import type { ButtonProps, MenuItem } from '../../ui/pop-out-props.ts';
import * as words from '../../words/set/field-menu.ts';

/** The dialogs are loaded when needed. */
const dialogs = later(() => import('./field-dialogs.tsx'));

const edits = () => import('../../model/field-edits.ts');
const otherSets = () => import('../../model/other-sets.ts');

type OpenDialog = 'rename' | 'kind' | 'locale' | 'send';

/** Everything that can be done with a whole field, in one menu. */
export function FieldMenu({
  set,
  field,
  trigger,
  button,
  more = [],
  deliver = async (to, one) => (await otherSets()).sendField(to.key, one, set.document.classes),
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
  /** Called with the id of a new field once the page has it; `saved` resolves once the store has it. */
  readonly onMade: (id: string, saved: Promise<void>) => void;
  /** Called with its new id once the page has it. */
  readonly onRenamed: (id: string) => void;
  /** Called after a change of its kind. */
  readonly onTurned?: () => void;
  readonly onDelete: () => void;
}) {
  const [asked, setAsked] = useState<OpenDialog | null>(null);
  const { it: loaded, open } = useLater(dialogs);
  const ask = (what: OpenDialog) => {
    open();
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
      label: words.duplicate,
      isApart: more.length > 0,
      onSelect: async () => {
        const { duplicateField } = await edits();
        const { set: next, id } = duplicateField(set.document, field.id);
        addNewId(set.key, `fields/${id}`);
        onMade(
          id,
          set.editAndSave(() => next),
        );
      },
    },
    { id: 'rename', label: words.changeId, note: field.id, onSelect: () => ask('rename') },
    { id: 'kind', label: words.changeKind, note: field.kind, onSelect: () => ask('kind') },
    { id: 'locale', label: words.locale, note: field.locale ?? words.fromSet(set.document.locale), onSelect: () => ask('locale') },
    { id: 'send', label: words.copyOrMoveToAnother, onSelect: () => ask('send') },
    { id: 'up', label: words.moveUp, isApart: true, onSelect: () => move(at - 1) },
    { id: 'down', label: words.moveDown, onSelect: () => move(at + 1) },
    { id: 'delete', label: words.deleteLabel, isApart: true, onSelect: onDelete },
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
