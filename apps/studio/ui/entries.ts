import { synonymsOf } from '../words/synonyms.ts';
import * as wording from '../words/ui/entries.ts';

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
  trials: wording.trials,
  texts: wording.translations,
  'hand-off': wording.handOff,
  revisions: wording.revisions,
  refused: wording.conflictingSaves,
} as const;

/** What other pages can do: the palette opens the page and uses the control there. */
const elsewhere: readonly Elsewhere[] = [
  { label: wording.importLabel, page: 'shelf' },
  { label: wording.newSet, page: 'shelf' },
  { label: wording.newField, page: 'shelf' },
  { label: wording.findAField, page: 'shelf' },
  { label: wording.newTrial, page: 'trials' },
  { label: wording.runTrials, page: 'trials', section: wording.trials, control: wording.runAgain },
  { label: wording.runMutationTests, page: 'trials', section: wording.mutationTests },
  { label: wording.runLawCheck, page: 'trials', section: wording.lawCheck, control: wording.run },
  { label: wording.coverage, page: 'trials', section: wording.coverage },
  {
    label: wording.testYourOwnFormatter,
    page: 'trials',
    section: wording.testYourOwnFormatter,
    control: wording.run,
  },
  { label: wording.addLanguage, page: 'texts' },
  { label: wording.downloadTextsAsCsv, page: 'texts', control: wording.downloadCsv },
  { label: wording.downloadTextsAsJson, page: 'texts', control: wording.downloadJson },
  { label: wording.downloadZip, page: 'hand-off' },
  { label: wording.previewTheHandOff, page: 'hand-off', section: wording.livePreview },
  {
    label: wording.compareRevisions,
    page: 'revisions',
    section: wording.compareBehaviour,
    control: wording.compare,
  },
];

/** Items of the menu of a set, which is on the shelf. */
const setActions = [
  ['locale', wording.locale],
  ['classes', wording.characterClasses],
  ['form', wording.newForm],
  ['file', wording.downloadDocumentArbeitJson],
  ['copy', wording.copyDocumentAsJson],
  ['duplicate', wording.duplicateSet],
  ['rename', wording.changeId],
  ['delete', wording.deleteSet],
] as const;

/** What only the page of one field or one form can do: disabled on other pages. */
const onDesks = [wording.goToField, wording.goToSpecimen, wording.editPatternText, wording.addRule, wording.changeKind, wording.placeholder, wording.hint, wording.initialValue, wording.appearance, wording.htmlAttributes, wording.inOtherLocales, wording.goToTape, wording.saveTapeAsTrial, wording.clearTape, wording.copyTheTapeAsText, wording.moveUp, wording.moveDown, wording.duplicate, wording.changeId, wording.deleteLabel]; // biome-ignore format: a list
/** What a page that edits a set can do. */
const onEdited = [wording.undoLastChange, wording.redo];
/** Pages that edit nothing. */
const readOnly = ['refused', 'glossary'];
const onForms = [wording.addField, wording.crossFieldRules, wording.newCondition, wording.submission, wording.messageTiming, wording.simulatedServices, wording.submittedData]; // biome-ignore format: a list

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
      group: one.section ?? (isShelf ? wording.shelf : pages[one.page as keyof typeof pages]),
      ...(isShelf || setKey ? {} : { disabled: wording.openASetFirst }),
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
            group: present?.title ?? wording.set,
            ...(present ? {} : { disabled: wording.openASetFirst }),
            // The shelf lays this set out, however many others changed after it.
            run: () =>
              open(`/?set=${present?.key}`, () => choose(wording.actionsForWithTitle(present?.title), id)),
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
    { id: 'shelf', label: wording.shelf, group: wording.pages, run: () => open('/') },
    { id: 'glossary', label: wording.glossary, group: wording.help, run: () => open('/glossary') },
    ...others,
    ...ofSet,
    ...(readOnly.includes(page) ? onlyOn('set', wording.edit, onEdited, wording.nothingToUndo) : []),
    ...onlyOn('fields', wording.desk, onDesks, wording.openAFieldFirst),
    ...onlyOn('forms', wording.form, onForms, wording.openAFormFirst),
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
