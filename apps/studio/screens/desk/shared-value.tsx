'use client';

import { createStore, evaluateOn, type FieldStore, follow, share } from '@arbeit/dom';
import { compileField, type FieldDocument, type SetDocument } from '@arbeit/engine/document';
import type { KindTable } from '@arbeit/engine/kinds';
import { Message, useField } from '@arbeit/react';
import { useRouter } from 'next/navigation';
import { type ReactNode, useEffect, useMemo } from 'react';
import { useKinds } from '../../field/kinds-provider.tsx';
import { changeField } from '../../model/edits.ts';
import { leaveMade } from '../../model/just-made.ts';
import { addNewId } from '../../model/new-ids.ts';
import { addSharing, labelBeside, leadersFor, sharersOf, withValueOf } from '../../model/shared-value.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { Help } from '../../ui/help.tsx';
import { Line as TypedLine } from '../../ui/line.tsx';
import { Link } from '../../ui/link.tsx';
import { WordSelect } from '../../ui/word-select.tsx';
import * as words from '../../words/desk/shared-value.ts';
import { drawingOf } from './kind-columns.ts';

/** The same field with another display of the same value, if its kind has one. */
export function otherDisplay(
  field: FieldDocument,
  set: Pick<SetDocument, 'locale' | 'classes'>,
  kinds: KindTable,
): { readonly field: FieldDocument; readonly entry: object; readonly label: string } | undefined {
  const compiled = compileField(field, set, kinds);
  const other = drawingOf(compiled, kinds).other?.(compiled.plan);
  if (!other) return undefined;
  // Initial value and placeholder are written for the other display.
  const { placeholder: _, initial: __, ...rest } = field;
  const entry = { ...field.entry, ...other.entry };
  const shown = { ...rest, id: `${field.id}-other`, entry } as FieldDocument;
  return { field: shown, entry: other.entry, label: other.label };
}

/** Live fields with the value of this one. Adds such a field, or gives this one the value of another. */
export function SharedValue({
  definition,
  own,
  edited,
  today,
}: {
  readonly definition: FieldDocument;
  readonly own: FieldStore;
  readonly edited: EditedSet;
  readonly today: string | undefined;
}) {
  const kinds = useKinds();
  const router = useRouter();
  const { document: set, key } = edited;
  const other = useMemo(() => otherDisplay(definition, set, kinds), [definition, set, kinds]);
  const sharers = sharersOf(set, definition);
  const add = async () => {
    const made = addSharing(set, definition, other);
    addNewId(key, `fields/${made.id}`);
    await edited.editAndSave(() => made.set);
    leaveMade(key, `fields/${made.id}`);
    router.push(`/sets/${key}/fields/${made.id}`);
  };
  return (
    <section aria-label={words.fieldsWithThisValue} className="mt-3">
      <div className="flex flex-wrap items-baseline gap-x-4 border-b border-ink pb-1">
        <h2 className="font-semibold">{words.fieldsWithThisValue}</h2>
        <span className="caption">{words.oneValueEachItsWay}</span>
        <Help about={words.fieldsWithThisValue}>
          <p>{words.inAForm}</p>
        </Help>
        <button type="button" className="word-button ml-auto" onClick={add}>
          {words.addFieldWithThisValue}
        </button>
      </div>
      <Leader definition={definition} edited={edited} />
      <div className="grid grid-cols-1 items-end gap-x-6 gap-y-2 pt-3 sm:grid-cols-2">
        {sharers.map((field) => (
          <Shared key={field.id} field={field} own={own} set={set} today={today} isMutual>
            <Link className="word-button text-sm" href={`/sets/${key}/fields/${field.id}`}>
              {field.label || field.id}
            </Link>
          </Shared>
        ))}
        {sharers.length === 0 && other && (
          <Shared
            field={other.field}
            own={own}
            set={set}
            today={today}
            label={labelBeside(definition, other.label)}
          >
            <span className="caption">{words.linkedDisplay(other.label)}</span>
          </Shared>
        )}
      </div>
    </section>
  );
}

/** Which value the field has, as a sentence; nothing if it can only have its own. */
function Leader({ definition, edited }: { readonly definition: FieldDocument; readonly edited: EditedSet }) {
  const leaders = leadersFor(edited.document, definition);
  if (leaders.length === 0) return null;
  const choices = Object.fromEntries([
    ['', words.itsOwnValue],
    ...leaders.map(({ id, label }) => [id, words.theValueOf(label || id)] as const),
  ]);
  return (
    <p className="pt-2">
      <span>{words.thisFieldHas}</span>{' '}
      <WordSelect
        label={words.whoseValue}
        value={definition.sameValueAs ?? ''}
        choices={choices}
        onChange={(leader) =>
          edited.edit((d) => changeField(d, definition.id, (field) => withValueOf(field, leader)))
        }
      />
    </p>
  );
}

const message = { root: 'min-h-6 text-sm text-marigold data-[severity=error]:text-brick' };

/** A field that shows the value of the desk’s field. What is typed into it changes that one if `isMutual`. */
function Shared({
  field: definition,
  own,
  set,
  today,
  label,
  isMutual = false,
  children,
}: {
  readonly field: FieldDocument;
  readonly own: FieldStore;
  readonly set: Pick<SetDocument, 'locale' | 'language' | 'classes'>;
  readonly today: string | undefined;
  readonly label?: string;
  readonly isMutual?: boolean;
  readonly children: ReactNode;
}) {
  const kinds = useKinds();
  const { locale, language, classes } = set;
  const store = useMemo(() => {
    const { initial: _, ...rest } = definition;
    const facts = { locale, ...(language ? { language } : {}), ...(classes ? { classes } : {}) };
    return createStore(compileField(rest as FieldDocument, facts, kinds), evaluateOn(today));
  }, [definition, locale, language, classes, today, kinds]);
  useEffect(() => {
    const stop = follow(own, [store]);
    if (!isMutual) return stop;
    // Following gave it the value that is there; from now on each gives its changes to the other.
    stop();
    return share([own, store]);
  }, [own, store, isMutual]);
  const field = useField(store.field, { store });
  return (
    <div className="min-w-0 max-w-md">
      {children}
      <TypedLine field={field} label={label ?? (definition.label || definition.id)} />
      <Message field={field} classNames={message} />
    </div>
  );
}
