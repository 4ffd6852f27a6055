'use client';

import type { FormStore } from '@arbeit/dom';
import { changeSection, sectionsOf } from '../../model/form-edits.ts';
import { Menu } from '../../ui/pop-out.tsx';
import { WordInPlace } from '../../ui/word-in-place.tsx';
import * as words from '../../words/form/arranging.ts';
import { type Arranging, Handle, offeredAt, ToolMenu, useNear, WhileHidden } from './field-tools.tsx';

/** The heading of a section, edited in place, with its tools. */
export function SectionHead({ tools, at }: { readonly tools: Arranging; readonly at: number }) {
  const { wasNear, near } = useNear();
  const sections = sectionsOf(tools.form);
  const section = sections[at];
  return (
    <legend data-sort={`section ${at}`} className="form-legend arranged" {...near}>
      <span className="field-tools">
        <Handle label={words.moveThisSection} onStep={(by) => tools.moveSectionBy(at, by)} />
        {wasNear && <SectionMenu tools={tools} at={at} />}
      </span>
      <WordInPlace
        label={words.titleOfSection(at + 1)}
        value={section?.title ?? ''}
        missing={words.noTitle}
        onChange={(title) => rename(tools, at, title)}
      />
    </legend>
  );
}

/**
 * Gives a section another title; its translations are kept. Sections with the same title share their texts
 * until one of them changes.
 */
function rename({ form, change, text }: Arranging, at: number, title: string): void {
  const sections = sectionsOf(form);
  const was = sections[at]?.title;
  const about = `section ${form.id} ${at}`;
  if (was && title && sections.filter((one) => one.title === was).length === 1)
    text(`forms/${form.id}/sections/${was}`, title, about);
  else
    change(
      (f) => changeSection(f, at, ({ title: _, ...rest }) => (title ? { ...rest, title } : rest)),
      about,
    );
}

function SectionMenu({ tools, at }: { readonly tools: Arranging; readonly at: number }) {
  const sections = sectionsOf(tools.form);
  const isWide = sections[at]?.columns === 2;
  return (
    <ToolMenu
      sign="⋯"
      label={words.moreForThisSection}
      items={() => [
        {
          id: 'columns',
          label: isWide ? words.inOneColumn : words.inTwoColumns,
          onSelect: () =>
            tools.change((f) => changeSection(f, at, (was) => ({ ...was, columns: isWide ? 1 : 2 }))),
        },
        { id: 'add', label: words.addASection, onSelect: () => tools.addSection(at), movesFocus: true },
        ...(sections.length > 1
          ? [
              {
                id: 'remove',
                label: words.removeTheHeading,
                onSelect: () => tools.removeSection(at),
                movesFocus: true,
              },
            ]
          : []),
      ]}
    />
  );
}

/** Below the fields of a section: a way to add one, and those that conditions hide now. */
export function SectionFoot({
  tools,
  store,
  at,
}: {
  readonly tools: Arranging;
  readonly store: FormStore;
  readonly at: number;
}) {
  const fields = sectionsOf(tools.form)[at]?.fields ?? [];
  return (
    <div className="form-foot" data-add-field={at}>
      <Menu
        trigger={words.addField}
        button={{ className: 'word-button' }}
        align="start"
        className="max-h-80 min-w-64 overflow-y-auto"
        items={() => offeredAt(tools, { section: at })}
      />
      <span className="not-shown text-faint">{words.notShownNow}</span>
      {fields
        .filter((id) => store.form.places.has(id))
        .map((id) => (
          <WhileHidden key={id} tools={tools} store={store.field(id)} />
        ))}
    </div>
  );
}
