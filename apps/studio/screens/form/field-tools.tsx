'use client';

import type { FieldStore } from '@arbeit/dom';
import { type FormDocument, fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import type { FocusEvent, KeyboardEvent, ReactNode } from 'react';
import { useState, useSyncExternalStore } from 'react';
import type { ChangeForm, Place } from '../../model/form-edits.ts';
import { Menu } from '../../ui/pop-out.tsx';
import type { MenuItem } from '../../ui/pop-out-props.ts';
import * as words from '../../words/form/arranging.ts';

/** A form, and what its tools do with it. */
export interface Arranging {
  readonly document: SetDocument;
  readonly form: FormDocument;
  readonly change: ChangeForm;
  /** Changes the text of the set with a key, in all languages. */
  readonly text: (key: string, text: string, about: string) => void;
  readonly moveSectionBy: (at: number, by: 1 | -1) => void;
  readonly addSection: (after: number) => void;
  /** Starts a section after a field, with the fields behind it. */
  readonly startSection: (after: string) => void;
  /** Removes the heading of a section; its fields stay. */
  readonly removeSection: (at: number) => void;
  readonly moveBy: (id: string, by: 1 | -1) => void;
  readonly add: (id: string, to: Place) => void;
  /** Asks for a new field, and adds it. */
  readonly addNew: (to: Place) => void;
  readonly remove: (id: string) => void;
  /** Opens the desk of a field. */
  readonly open: (id: string) => void;
  /** Makes a condition for a field, or a rule that compares it with another one. */
  readonly showWhen: (id: string) => void;
  readonly compare: (id: string) => void;
}

/** By how many places a key moves what its handle belongs to; 0 for other keys. */
function stepOf({ key }: KeyboardEvent): 1 | -1 | 0 {
  if (key === 'ArrowUp' || key === 'ArrowLeft') return -1;
  return key === 'ArrowDown' || key === 'ArrowRight' ? 1 : 0;
}

/** What can be added at a place: a new field, and the fields of the set that the form does not have. */
export function offeredAt(tools: Arranging, to: Place): readonly MenuItem[] {
  const { document, form, add, addNew, startSection } = tools;
  const own = fieldIdsOf(form);
  const others = document.fields.filter(({ id }) => !own.includes(id));
  return [
    { id: 'new', label: words.newField, onSelect: () => addNew(to), movesFocus: true },
    ...('after' in to
      ? [
          {
            id: 'section',
            label: words.startASection,
            onSelect: () => startSection(to.after),
            movesFocus: true,
          },
        ]
      : []),
    ...others.map(({ id, label, kind }, at) => ({
      id: `field ${id}`,
      label: label || id,
      note: kind,
      onSelect: () => add(id, to),
      movesFocus: true,
      isApart: at === 0,
    })),
  ];
}

const labelOf = ({ document }: Arranging, id: string): string =>
  document.fields.find((field) => field.id === id)?.label || id;

/** A tool that opens a menu. */
export const ToolMenu = ({
  sign,
  label,
  items,
}: {
  readonly sign: string;
  readonly label: string;
  readonly items: () => readonly MenuItem[];
}) => (
  <Menu
    trigger={<span aria-hidden="true">{sign}</span>}
    button={{ className: 'tool', 'aria-label': label, title: label }}
    align="end"
    className="max-h-80 min-w-64 overflow-y-auto"
    items={items}
  />
);

/** A handle that moves its field or section: dragged, or with the arrow keys. */
export const Handle = ({
  label,
  onStep,
}: {
  readonly label: string;
  readonly onStep: (by: 1 | -1) => void;
}) => (
  <button
    type="button"
    data-handle
    className="handle"
    aria-label={label}
    title={label}
    onKeyDown={(event) => {
      const by = stepOf(event);
      if (by === 0 || event.currentTarget.closest('[data-sorting]')) return;
      event.preventDefault();
      onStep(by);
    }}
  >
    <span aria-hidden="true">{'⠿'}</span>
  </button>
);

/**
 * What an element with tools listens to, and whether somebody came near it: only then are its menus made. Its
 * tools are seen (`data-near`) while the focus is in it or in a menu of theirs, so that the focus can come
 * back.
 */
export function useNear() {
  const [wasNear, setWasNear] = useState(false);
  const near = {
    onPointerEnter: () => setWasNear(true),
    onFocus: ({ currentTarget }: FocusEvent<HTMLElement>) => {
      setWasNear(true);
      for (const other of document.querySelectorAll('.arranged[data-near]'))
        if (other !== currentTarget) other.removeAttribute('data-near');
      currentTarget.setAttribute('data-near', '');
    },
    onBlur: ({ currentTarget, relatedTarget }: FocusEvent<HTMLElement>) => {
      const isAway = relatedTarget && !currentTarget.contains(relatedTarget);
      if (isAway && !relatedTarget.closest('[role="menu"], [role="dialog"]'))
        currentTarget.removeAttribute('data-near');
    },
  };
  return { wasNear, near };
}

/**
 * A field of the form with its tools, which are seen while the pointer or the focus is there: its handle, and
 * the menus that add a field after it and do more with it. They come before the field, so that Tab leads
 * through the form as users know it, and Shift+Tab to the tools.
 */
export function WithTools({
  tools,
  id,
  children,
}: {
  readonly tools: Arranging;
  readonly id: string;
  readonly children: ReactNode;
}) {
  const { wasNear, near } = useNear();
  return (
    <div data-sort={id} className="arranged" {...near}>
      <div className="field-tools">
        <Handle label={words.moveThisField} onStep={(by) => tools.moveBy(id, by)} />
        {wasNear && <FieldMenus tools={tools} id={id} />}
      </div>
      {children}
    </div>
  );
}

function FieldMenus({ tools, id }: { readonly tools: Arranging; readonly id: string }) {
  const label = labelOf(tools, id);
  return (
    <>
      <ToolMenu sign="+" label={words.addAFieldHere} items={() => offeredAt(tools, { after: id })} />
      <ToolMenu
        sign="⋯"
        label={words.moreForThisField}
        items={() => [
          { id: 'open', label: words.openTheDeskOf(label), onSelect: () => tools.open(id), movesFocus: true },
          {
            id: 'when',
            label: words.showOnlyWhen(label),
            onSelect: () => tools.showWhen(id),
            movesFocus: true,
          },
          {
            id: 'compare',
            label: words.compareWithAnotherField(label),
            onSelect: () => tools.compare(id),
            movesFocus: true,
          },
          {
            id: 'remove',
            label: words.removeFromTheForm(label),
            onSelect: () => tools.remove(id),
            movesFocus: true,
            isApart: true,
          },
        ]}
      />
    </>
  );
}

/** A field while a condition hides it: its label, and its tools. */
export function WhileHidden({ tools, store }: { readonly tools: Arranging; readonly store: FieldStore }) {
  const { counts } = useSyncExternalStore(store.subscribe, store.evaluation, store.evaluation);
  const { id } = store.field;
  return counts ? null : (
    <WithTools tools={tools} id={id}>
      <span className="text-faint">{labelOf(tools, id)}</span>
    </WithTools>
  );
}
