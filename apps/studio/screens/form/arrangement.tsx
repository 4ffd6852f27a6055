'use client';

import type { FormDocument, SetDocument } from '@arbeit/engine/document';
import { fieldIdsOf } from '@arbeit/engine/document';
import { useRef } from 'react';
import {
  addSection,
  addToForm,
  type ChangeForm,
  changeSection,
  linesOf,
  moveLine,
  nameOfLine,
  removeFromForm,
  removeSection,
  sectionsOf,
} from '../../model/form-edits.ts';
import { Menu } from '../../ui/pop-out.tsx';
import { useSorting } from '../../ui/use-sorting.ts';
import * as texts from '../../words/form/arrangement.ts';

/**
 * The form as lines, sections and their fields, sortable by dragging or with the arrow keys on each handle.
 */
export function Arrangement({
  document,
  form,
  onChange,
  onText,
}: {
  readonly document: SetDocument;
  readonly form: FormDocument;
  readonly onChange: ChangeForm;
  /** Called with the key of a text of the set and its new value. */
  readonly onText: (key: string, text: string, about: string) => void;
}) {
  const list = useRef<HTMLOListElement>(null);
  const lines = linesOf(form);
  const names = lines.map(nameOfLine);
  const moveByKey = useSorting(list, names, (name, to) => onChange((f) => moveLine(f, name, to)));
  const sections = sectionsOf(form);
  const own = fieldIdsOf(form);
  const others = document.fields.filter(({ id }) => !own.includes(id));
  const labelOf = (id: string) => document.fields.find((field) => field.id === id)?.label || id;
  return (
    <section aria-label={texts.arrangement} className="form-head border-t border-rule pt-2 text-sm">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h2 className="caption">{texts.sectionsAndFields}</h2>
        <Menu
          trigger={texts.addAField}
          button={{ className: 'word-button', disabled: others.length === 0 }}
          align="start"
          className="max-h-80 min-w-64 overflow-y-auto"
          items={() =>
            others.map(({ id, label, kind }) => ({
              id,
              label: label || id,
              note: kind,
              onSelect: () => onChange((f) => withNeeded(document, f, id)),
            }))
          }
        />
        <button type="button" className="word-button" onClick={() => onChange(addSection)}>
          {texts.addASection}
        </button>
      </div>
      <ol ref={list} className="arrangement">
        {lines.map((line) => {
          const name = nameOfLine(line);
          const isField = 'field' in line;
          const words = isField
            ? labelOf(line.field)
            : (sections[line.section]?.title ?? texts.untitledSection);
          return (
            <li key={name} data-sort={name} data-section={isField ? undefined : ''} className="bg-paper">
              <button
                type="button"
                data-handle
                className="handle"
                aria-label={texts.reorder(words)}
                onKeyDown={(event) => moveByKey(event, name)}
              >
                <span aria-hidden="true">⠿</span>
              </button>
              {isField ? (
                <>
                  <span className="min-w-0 truncate">{words}</span>
                  <Out
                    label={texts.removeFromTheForm(words)}
                    onClick={() => onChange((f) => removeFromForm(document, f, line.field))}
                  />
                </>
              ) : (
                <Head at={line.section} words={words} form={form} onChange={onChange} onText={onText} />
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

const Out = ({ label, onClick }: { readonly label: string; readonly onClick: () => void }) => (
  <button type="button" className="word-button ml-auto" aria-label={label} onClick={onClick}>
    {' '}
    {texts.remove}{' '}
  </button>
);

/** The head of a section: its title, its columns, and a button that removes it. */
function Head({
  at,
  words,
  form,
  onChange,
  onText,
}: {
  readonly at: number;
  readonly words: string;
  readonly form: FormDocument;
  readonly onChange: ChangeForm;
  readonly onText: (key: string, text: string, about: string) => void;
}) {
  const sections = sectionsOf(form);
  const section = sections[at];
  const isWide = section?.columns === 2;
  return (
    <>
      <input
        className="word-in-place font-semibold"
        aria-label={texts.titleOfSection(at + 1)}
        value={section?.title ?? ''}
        placeholder={texts.noTitle}
        onChange={({ target: { value: title } }) => {
          const about = `section ${form.id} ${at}`;
          // Translations of a section's title are kept. Sections with the same title share their texts until
          // one of them changes.
          const isAlone = sections.filter((one) => one.title === section?.title).length === 1;
          if (section?.title && title && isAlone)
            onText(`forms/${form.id}/sections/${section.title}`, title, about);
          else
            onChange(
              (f) => changeSection(f, at, ({ title: _, ...rest }) => (title ? { ...rest, title } : rest)),
              about,
            );
        }}
      />
      <button
        type="button"
        className="word-button ml-auto whitespace-nowrap"
        onClick={() => onChange((f) => changeSection(f, at, (was) => ({ ...was, columns: isWide ? 1 : 2 })))}
      >
        {isWide ? texts.twoColumns : texts.oneColumn}
        <span className="sr-only"> {texts.inLabel(words)}</span>
      </button>
      {sections.length > 1 && (
        <Out
          label={texts.removeTheSectionHeading(words)}
          onClick={() => onChange((f) => removeSection(f, at))}
        />
      )}
    </>
  );
}

/** The form with a field, and with those it depends on that are not in it yet. */
function withNeeded(document: SetDocument, form: FormDocument, id: string): FormDocument {
  const field = document.fields.find((one) => one.id === id);
  const text = JSON.stringify([field?.when, field?.rules?.map(({ check, when }) => [check, when])]);
  const needed = document.fields.filter(
    (other) =>
      other.id !== id && text.includes(JSON.stringify(other.id)) && !fieldIdsOf(form).includes(other.id),
  );
  const before = needed.reduce((f, other) => withNeeded(document, f, other.id), form);
  return fieldIdsOf(before).includes(id) ? before : addToForm(before, id);
}
