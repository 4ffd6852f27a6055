'use client';

import { type FormDocument, fieldIdsOf, withTextAt } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import {
  addSection,
  addToForm,
  changeForm,
  linesOf,
  moveLine,
  moveSection,
  nameOfLine,
  type Place,
  removeFromForm,
  removeSection,
  sectionsOf,
  splitSection,
} from '../../model/form-edits.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { later, useLater } from '../../ui/later.tsx';
import { useSorting } from '../../ui/use-sorting.ts';
import { type Arranging, WithTools } from './field-tools.tsx';
import type { AroundParts } from './live-form.tsx';
import { SectionFoot, SectionHead } from './section-tools.tsx';

const arrangeable = later(() => import('../../ui/arrangeable.ts').then((own) => own.arrangeable));
const newField = later(() => import('../set/new-field-dialog.tsx'));

interface Arranged {
  readonly set: EditedSet;
  readonly form: FormDocument;
  /** Called with the id of a field that is to get a condition, or a comparison with another field. */
  readonly onCondition: (field: string) => void;
  readonly onCompare: (field: string) => void;
}

/** The page of the form, for what the tools do. */
interface Page extends Arranged {
  /** Focuses the first of these that is there once the change is drawn. */
  readonly focusOn: (...selectors: readonly string[]) => void;
  readonly askNew: (place: Place) => void;
  readonly openDesk: (field: string) => void;
}

const itemOf = (name: string): string => `[data-sort="${CSS.escape(name)}"]`;
const titleOf = (section: number): string => `${itemOf(`section ${section}`)} textarea`;
const handleOf = (name: string): string => `${itemOf(name)} [data-handle]`;
const controlOf = (id: string): string => `[data-field="${CSS.escape(id)}"] :is(input, select, textarea)`;

/**
 * The arrangement of a form, on the live form inside `around`: fields and sections are dragged by their
 * handles or moved with the arrow keys on them, added and removed. `parts` go around those of the form,
 * `dialog` anywhere.
 */
export function useArranging(around: RefObject<HTMLElement | null>, arranged: Arranged) {
  const { set, form } = arranged;
  const router = useRouter();
  const { it: loaded, open } = useLater(newField);
  const [place, setPlace] = useState<Place | null>(null);
  const focusOn = useFocusAfterwards(around);
  const page: Page = {
    ...arranged,
    focusOn,
    askNew: (to) => {
      open();
      setPlace(to);
    },
    openDesk: (id) => router.push(`/sets/${set.key}/fields/${id}`),
  };
  const latest = useRef(page);
  latest.current = page;
  useSorting(
    around,
    linesOf(form).map(nameOfLine),
    (name, to) => moveTo(latest.current, name, to),
    arrangeable,
  );
  const { document } = set;
  const parts = useMemo((): AroundParts => {
    const tools = { ...toolsOf(() => latest.current), document, form };
    return {
      field: (id, field) => (
        <WithTools tools={tools} id={id}>
          {field}
        </WithTools>
      ),
      head: (at) => <SectionHead tools={tools} at={at} />,
      foot: (at, store) => <SectionFoot tools={tools} store={store} at={at} />,
    };
  }, [document, form]);
  const dialog = loaded && place && (
    <loaded.NewFieldDialog
      set={set}
      onClose={() => {
        setPlace(null);
        focusOn(
          'after' in place ? `${itemOf(place.after)} .tool` : `[data-add-field="${place.section}"] > button`,
        );
      }}
      alsoChange={(d, id) => changeForm(d, form.id, (f) => addToForm(d, f, id, place))}
      onMade={(id) => {
        setPlace(null);
        focusOn(controlOf(id), handleOf(id));
      }}
    />
  );
  return { parts, dialog };
}

const edit = ({ set, form }: Page, how: (form: FormDocument) => FormDocument, about?: string): void =>
  set.edit((d) => changeForm(d, form.id, how), about);

function moveField(page: Page, id: string, to: number): void {
  edit(page, (f) => moveLine(f, id, to));
  page.focusOn(handleOf(id));
}

/**
 * Moves a field, or a section with its fields, to where a line of the form is. A field that is dropped on a
 * heading comes directly after it.
 */
function moveTo(page: Page, name: string, to: number): void {
  const lines = linesOf(page.form);
  const line = lines.find((one) => nameOfLine(one) === name);
  if (!line || !lines[to]) return;
  if ('field' in line) {
    moveField(page, line.field, 'section' in lines[to] && lines.indexOf(line) > to ? to + 1 : to);
    return;
  }
  const target = lines.slice(0, to + 1).filter((one) => 'section' in one).length - 1;
  edit(page, (f) => moveSection(f, line.section, target));
  page.focusOn(handleOf(`section ${target}`));
}

/** What the tools do, on the page as it is by then. */
const toolsOf = (now: () => Page): Omit<Arranging, 'document' | 'form'> => ({
  change: (how, about) => edit(now(), how, about),
  text: (key, text, about) => now().set.edit((d) => withTextAt(d, key, text), about),
  moveSectionBy(at, by) {
    const { focusOn } = now();
    edit(now(), (f) => moveSection(f, at, at + by));
    focusOn(handleOf(`section ${at + by}`));
  },
  addSection(after) {
    const { focusOn } = now();
    edit(now(), (f) => addSection(f, after));
    focusOn(titleOf(after + 1));
  },
  startSection(after) {
    const { form, focusOn } = now();
    const at = sectionsOf(form).findIndex(({ fields }) => fields.includes(after));
    edit(now(), (f) => splitSection(f, after));
    focusOn(titleOf(at + 1));
  },
  removeSection(at) {
    const { focusOn } = now();
    edit(now(), (f) => removeSection(f, at));
    focusOn(titleOf(Math.max(0, at - 1)));
  },
  moveBy(id, by) {
    const at = linesOf(now().form).findIndex((line) => nameOfLine(line) === id);
    moveField(now(), id, at + by);
  },
  add(id, to) {
    const { set, focusOn } = now();
    edit(now(), (f) => addToForm(set.document, f, id, to));
    // A field that a condition hides has its tools only.
    focusOn(controlOf(id), handleOf(id));
  },
  addNew: (to) => now().askNew(to),
  remove(id) {
    const { set, form, focusOn } = now();
    const all = fieldIdsOf(form);
    const at = all.indexOf(id);
    edit(now(), (f) => removeFromForm(set.document, f, id));
    const others = [...all.slice(at + 1), ...all.slice(0, at).reverse()];
    focusOn(...others.map(controlOf), '[data-add-field] > button');
  },
  open: (id) => now().openDesk(id),
  showWhen: (id) => now().onCondition(id),
  compare: (id) => now().onCompare(id),
});

/** Focuses the first element that one of some selectors finds, once the form is drawn with the change. */
function useFocusAfterwards(around: RefObject<HTMLElement | null>): Page['focusOn'] {
  const wanted = useRef<readonly string[]>([]);
  const [asked, setAsked] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each request is carried out once
  useEffect(() => {
    const found = wanted.current.flatMap(
      (selector) => around.current?.querySelector<HTMLElement>(selector) ?? [],
    );
    wanted.current = [];
    const [element] = found;
    if (!element) return;
    // The tools of a field can have the focus only while they are seen.
    element.closest<HTMLElement>('[data-sort]')?.setAttribute('data-near', '');
    element.focus();
  }, [asked, around]);
  return useRef((...selectors: readonly string[]) => {
    wanted.current = selectors;
    setAsked((n) => n + 1);
  }).current;
}
