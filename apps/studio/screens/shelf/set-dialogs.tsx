'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { useState } from 'react';
import { addClass, problemWithCharacters, removeClass, renameClass, usersOf } from '../../model/classes.ts';
import { problemIn } from '../../model/other-sets.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { Dialog } from '../../ui/dialog.tsx';
import { DraftInput } from '../../ui/draft-input.tsx';
import { Labelled } from '../../ui/labelled.tsx';
import * as words from '../../words/shelf/set-dialogs.ts';
import { LanguageSelect, LocaleList } from '../set/field-dialogs.tsx';

interface Props {
  readonly set: EditedSet;
  readonly onClose: () => void;
}

export function SetLocaleDialog({ set, onClose }: Props) {
  return (
    <Dialog title={words.localeOf(set.document.title)} about={words.setsHowNumbersAndDates} onClose={onClose}>
      <LocaleList
        value={set.document.locale}
        document={set.document}
        onChange={(locale) => set.edit((d) => ({ ...d, locale }), 'locale')}
      />
      <LanguageSelect
        value={set.document.language ?? ''}
        usual={set.document.locale}
        onChange={(language) =>
          set.edit(({ language: _, ...d }) => (language ? { ...d, language } : d), 'language')
        }
      />
    </Dialog>
  );
}

/**
 * The character classes of a set: to be added, named, edited and removed, each with the fields that use it.
 */
export function ClassesDialog({ set, onClose }: Props) {
  const { document } = set;
  const classes = Object.entries(document.classes ?? {});
  return (
    <Dialog
      title={words.characterClassesWithTitle(document.title)}
      about={words.aNamedGroupOfCharacters}
      isWide
      onClose={onClose}
    >
      {classes.length === 0 && <p className="text-faint">{words.noClassesYet}</p>}
      <ul>
        {classes.map(([name, characters], i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a class is known by its place while its name is edited
          <li key={i} className="border-b py-2">
            <div className="flex flex-wrap items-start gap-x-4">
              <Labelled label={words.name}>
                {(id) => (
                  <DraftInput
                    id={id}
                    className="entry value"
                    value={name}
                    check={(text) => problemWithName(document, name, text)}
                    onChange={(to) => set.edit((d) => renameClass(d, name, to), words.classLabel(i))}
                  />
                )}
              </Labelled>
              <Labelled label={words.charactersAndRanges}>
                {(id) => (
                  <DraftInput
                    id={id}
                    className="entry value"
                    value={characters}
                    check={problemWithCharacters}
                    onChange={(text) =>
                      set.edit(
                        (d) => ({ ...d, classes: { ...d.classes, [name]: text } }),
                        words.classLabel(i),
                      )
                    }
                  />
                )}
              </Labelled>
              <button
                type="button"
                className="word-button mt-6"
                aria-label={words.removeClass(name)}
                onClick={() => set.edit((d) => removeClass(d, name))}
              >
                {words.remove}
              </button>
            </div>
            <p className="text-sm text-faint">{usedBy(document, name)}</p>
          </li>
        ))}
      </ul>
      <button type="button" className="word-button" onClick={() => set.edit(addClass)}>
        {words.addClass}
      </button>
    </Dialog>
  );
}

function usedBy(document: SetDocument, name: string): string {
  const users = usersOf(document, name).map((field) => field.label || field.id);
  return users.length ? words.usedBy(users.join(', ')) : words.notUsed;
}

/** What the document reader reports about the name of a class. */
function problemWithName(document: SetDocument, own: string, name: string): string | null {
  if (name !== own && document.classes?.[name] !== undefined) return words.thisNameIsAlready;
  const result = readDocument(
    { arbeit: 2, title: 'T', locale: 'en-GB', fields: [], classes: { [name]: 'A' } },
    kinds,
  );
  return result.ok ? null : (result.faults[0]?.message ?? null);
}

/** Changes the id of the set, which is part of the addresses of its pages. */
export function RenameSetDialog({ set, onClose, onDone }: Props & { readonly onDone: () => void }) {
  const [id, setId] = useState(set.id);
  const [said, setSaid] = useState('');
  const problem = /^[a-z0-9-]{1,80}$/.test(id) ? said : words.useLowerCaseLettersDigits;
  return (
    <Dialog title={words.renameWithTitle(set.document.title)} about={words.theIdIsPart} onClose={onClose}>
      <form
        onSubmit={async (event) => {
          event.preventDefault();
          const response = await fetch(`/api/sets/${set.key}`, {
            method: 'PATCH',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ id }),
          }).catch(() => undefined);
          const wrong = id === set.id ? '' : await problemIn(response);
          setSaid(wrong);
          if (!wrong) onDone();
        }}
      >
        <Labelled label={words.id}>
          {(inputId) => (
            <>
              <input
                id={inputId}
                className="entry value"
                value={id}
                aria-invalid={problem !== ''}
                aria-describedby={`${inputId}-said`}
                spellCheck={false}
                autoComplete="off"
                onChange={(event) => {
                  setSaid('');
                  setId(event.target.value);
                }}
              />
              <p id={`${inputId}-said`} aria-live="polite" className="min-h-6 text-sm text-brick">
                {problem}
              </p>
            </>
          )}
        </Labelled>
        <button type="submit" className="solid-button" disabled={problem !== ''}>
          {words.rename}
        </button>
      </form>
    </Dialog>
  );
}
