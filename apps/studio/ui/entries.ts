import { synonymsOf } from './synonyms.ts';

/** A set as the palette lists it. */
export interface IndexedSet {
  readonly key: string;
  /** Its name in addresses. */
  readonly id: string;
  readonly title: string;
  readonly fields: readonly { readonly id: string; readonly label: string; readonly kind: string }[];
  readonly forms: readonly { readonly id: string; readonly title: string }[];
}

/** An entry of the palette. */
export interface Entry {
  readonly id: string;
  readonly label: string;
  /** Where it belongs: a page, a set, a menu. */
  readonly group: string;
  /** Further words that find it. */
  readonly words?: string;
  readonly key?: string;
  /** Why it cannot be run now; missing if it can. */
  readonly disabled?: string;
  run(): void;
}

/** Something on another page: its section and the name of its control. */
interface Elsewhere {
  readonly label: string;
  readonly page: keyof typeof pages | 'shelf';
  /** The accessible name of the control, if not the label. */
  readonly control?: string;
  /** The accessible name of the section that contains it. */
  readonly section?: string;
}

/** The pages of a set, by the last part of their address. */
export const pages = {
  trials: 'Trials',
  texts: 'Translations',
  'hand-off': 'Hand-off',
  revisions: 'Revisions',
  refused: 'Conflicting saves',
} as const;

/** What other pages can do: the palette opens the page and uses the control there. */
const elsewhere: readonly Elsewhere[] = [
  { label: 'Import…', page: 'shelf' },
  { label: 'New set', page: 'shelf' },
  { label: 'New field', page: 'shelf' },
  { label: 'Find a field', page: 'shelf' },
  { label: 'New trial', page: 'trials' },
  { label: 'Run trials', page: 'trials', section: 'Trials', control: 'Run again' },
  { label: 'Run mutation tests', page: 'trials', section: 'Mutation tests' },
  { label: 'Run law check', page: 'trials', section: 'Law check', control: 'Run' },
  { label: 'Coverage', page: 'trials', section: 'Coverage' },
  { label: 'Test your own formatter', page: 'trials', section: 'Test your own formatter', control: 'Run' },
  { label: 'Add language', page: 'texts' },
  { label: 'Download texts as CSV', page: 'texts', control: 'Download CSV' },
  { label: 'Download texts as JSON', page: 'texts', control: 'Download JSON' },
  { label: 'Download .zip', page: 'hand-off' },
  { label: 'Preview the hand-off', page: 'hand-off', section: 'Live preview' },
  { label: 'Compare revisions', page: 'revisions', section: 'Compare behaviour', control: 'Compare' },
];

/** Items of the menu of a set, which is on the shelf. */
const setActions = [
  ['locale', 'Locale…'],
  ['classes', 'Character classes…'],
  ['form', 'New form'],
  ['file', 'Download document (.arbeit.json)'],
  ['copy', 'Copy document as JSON'],
  ['duplicate', 'Duplicate set'],
  ['rename', 'Change id…'],
  ['delete', 'Delete set'],
] as const;

/** What only the page of one field or one form can do: disabled on other pages. */
const onDesks = ['Go to field', 'Go to specimen', 'Edit pattern text', 'Add rule', 'Change kind…', 'Placeholder', 'Hint', 'Initial value', 'Appearance', 'HTML attributes', 'In other locales', 'Go to tape', 'Save tape as trial', 'Clear tape', 'Copy the tape as text', 'Move up', 'Move down', 'Duplicate', 'Change id…', 'Delete']; // biome-ignore format: a list
/** What a page that edits a set can do. */
const onEdited = ['Undo last change', 'Redo'];
/** Pages that edit nothing. */
const readOnly = ['refused', 'glossary'];
const onForms = ['Edit layout', 'Cross-field rules', 'New condition', 'Submission', 'Message timing', 'Simulated services', 'Submitted data']; // biome-ignore format: a list

/** What the entries need of the page. */
export interface Surroundings {
  /** The key or id of the current set in the address; `undefined` on a page without one. */
  readonly setKey: string | undefined;
  /** The last part of the address that names a page: `trials`, `fields`, `forms`, `shelf`. */
  readonly page: string;
  readonly index: readonly IndexedSet[];
  /** Opens a page, then runs `then` once it finds what it needs there. */
  open(path: string, then?: () => boolean): void;
  /** Uses a control of the page; `false` if it is not there. */
  use(control: string, section: string | undefined): boolean;
  /** Runs an item of a menu by the name of its button; `false` if it is not there. */
  choose(menu: string, item: string): boolean;
}

/** The pages, fields and forms of all sets. */
const placesOf = ({ index, open }: Surroundings): readonly Entry[] =>
  index.flatMap(({ key, title, fields, forms }): readonly Entry[] => [
    ...Object.entries(pages).map(([path, label]) => ({
      id: `page ${key} ${path}`,
      label,
      group: title,
      run: () => open(`/sets/${key}/${path}`),
    })),
    ...fields.map(({ id, label, kind }) => ({
      id: `field ${key} ${id}`,
      label,
      group: title,
      words: `field ${id} ${kind} ${synonymsOf(kind)} open edit desk`,
      run: () => open(`/sets/${key}/fields/${id}`),
    })),
    ...forms.map(({ id, title: label }) => ({
      id: `form ${key} ${id}`,
      label,
      group: title,
      words: `form ${id} open edit`,
      run: () => open(`/sets/${key}/forms/${id}`),
    })),
  ]);

/**
 * Everything outside the present page: pages, fields and forms of all sets, what other pages can do, and what
 * does not apply here.
 */
export function entriesElsewhere(around: Surroundings): readonly Entry[] {
  const { setKey, page, index, open, use, choose } = around;
  const present = index.find(({ key, id }) => key === setKey || id === setKey);
  const others = elsewhere.map((one): Entry => {
    const isShelf = one.page === 'shelf';
    const path = isShelf ? '/' : `/sets/${setKey}/${one.page}`;
    return {
      id: `elsewhere ${one.label}`,
      label: one.label,
      group: one.section ?? (isShelf ? 'Shelf' : pages[one.page as keyof typeof pages]),
      ...(isShelf || setKey ? {} : { disabled: 'Open a set first' }),
      run: () => {
        const there = () => use(one.control ?? one.label, one.section);
        if (one.page === page) there();
        else open(path, there);
      },
    };
  });
  const ofSet =
    page === 'shelf'
      ? []
      : setActions.map(
          ([id, label]): Entry => ({
            id: `set ${id}`,
            label,
            group: present?.title ?? 'Set',
            ...(present ? {} : { disabled: 'Open a set first' }),
            run: () => open('/', () => choose(`Actions for ${present?.title}`, id)),
          }),
        );
  const onlyOn = (
    home: string,
    group: string,
    labels: readonly string[],
    disabled: string,
  ): readonly Entry[] =>
    labels.map((label) => ({
      id: `${home} ${label}`,
      label,
      group,
      ...(page === home ? {} : { disabled }),
      run: () => void (use(label, undefined) || use(label, label)),
    }));
  return [
    ...placesOf(around),
    { id: 'shelf', label: 'Shelf', group: 'Pages', run: () => open('/') },
    { id: 'glossary', label: 'Glossary', group: 'Help', run: () => open('/glossary') },
    ...others,
    ...ofSet,
    ...(readOnly.includes(page) ? onlyOn('set', 'Edit', onEdited, 'Nothing to undo on this page') : []),
    ...onlyOn('fields', 'Desk', onDesks, 'Open a field first'),
    ...onlyOn('forms', 'Form', onForms, 'Open a form first'),
  ];
}

/** What a text is looked up in, per entry. */
const searched = new WeakMap<Entry, string>();
function searchedIn(entry: Entry): string {
  const known = searched.get(entry);
  if (known !== undefined) return known;
  const { label, group, words = '' } = entry;
  const all = `${label} ${group} ${words} ${synonymsOf(label)}`.toLowerCase();
  searched.set(entry, all);
  return all;
}

/** Most entries shown at once. */
const mostShown = 60;

/**
 * The entries that a text finds, the best first: those whose label begins with it, then those with all its
 * words in the label, then by group and synonyms. Entries that cannot be run come last.
 */
export function found(entries: readonly Entry[], text: string): readonly Entry[] {
  const wanted = text.trim().toLowerCase();
  const words = wanted.split(/\s+/).filter(Boolean);
  const ranked = entries.flatMap((entry) => {
    const label = entry.label.toLowerCase();
    const all = searchedIn(entry);
    if (!words.every((word) => all.includes(word))) return [];
    const near = label.startsWith(wanted) ? 0 : words.every((word) => label.includes(word)) ? 1 : 2;
    return [{ entry, rank: near + (entry.disabled ? 3 : 0) }];
  });
  const seen = new Set<string>();
  return ranked
    .sort((a, b) => a.rank - b.rank)
    .flatMap(({ entry }) => {
      const name = `${entry.group}\n${entry.label}`;
      if (seen.has(name)) return [];
      seen.add(name);
      return [entry];
    })
    .slice(0, mostShown);
}
