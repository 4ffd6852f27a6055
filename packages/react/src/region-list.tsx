'use client';

import { findRegions, type RegionChoice, regionChoices, regionEvent, regionIn } from '@arbeit/dom';
import { type KeyboardEvent, useId, useState } from 'react';
import type { ClassNames } from './class-names.ts';
import type { Field } from './use-field.ts';

/**
 * The region of a telephone number, found while it is typed; the home region before.
 *
 * @example
 * const name = (field: Field) => regionOf(field).name;
 */
export function regionOf(field: Field): {
  readonly region: string;
  readonly code: string;
  readonly name: string;
} {
  const { region, code, name } = regionIn(field.store);
  return { region, code, name };
}

/**
 * Changes the region of a telephone number; its digits stay.
 *
 * @example
 * const toFrance = (field: Field) => chooseRegion(field, 'FR');
 */
export function chooseRegion(field: Field, region: string): void {
  const event = regionEvent(field.store, region);
  if (event) field.store.dispatch(event);
}

/** The words of the list in the field’s language. */
const regionWordsOf = ({ store }: Field) => {
  const words = store.field.words ?? {};
  return {
    regions: words.regions ?? '',
    search: words['region-search'] ?? '',
    hint: words['region-hint'] ?? '',
    none: words['no-region'] ?? '',
  };
};

/** The language in which regions are named. */
const languageOf = ({ store }: Field): string => store.field.language ?? store.field.locale;

/**
 * The regions a telephone field takes, searchable by name, letters or calling code (WAI-ARIA, combobox with a
 * listbox).
 *
 * @example
 * const Regions = ({ field }: { readonly field: Field }) => (
 *   <RegionList field={field} onPick={(region) => chooseRegion(field, region)} />
 * );
 */
export function RegionList({
  field,
  onPick,
  classNames = {},
  words = regionWordsOf(field),
}: {
  readonly field: Field;
  readonly onPick: (region: string) => void;
  readonly classNames?: ClassNames<'search' | 'list' | 'region' | 'code' | 'none'>;
  readonly words?: Readonly<Record<'regions' | 'search' | 'hint' | 'none', string>>;
}) {
  const { plans, region: present } = regionIn(field.store);
  const [search, setSearch] = useState('');
  const id = useId();
  const all = regionChoices(plans, languageOf(field));
  const found = findRegions(all, search);
  /** The whole list begins at the region that the number has. */
  const first = () => all.findIndex(({ region }) => region === present);
  const [at, setAt] = useState(first);
  const here = Math.min(Math.max(0, at), found.length - 1);
  const idOf = ({ region }: RegionChoice): string => `${id}-${region}`;
  const onKeyDown = (event: KeyboardEvent) => {
    const to = { ArrowDown: here + 1, ArrowUp: here - 1, PageDown: here + 8, PageUp: here - 8 }[event.key];
    if (to !== undefined) {
      event.preventDefault();
      setAt(Math.max(0, Math.min(found.length - 1, to)));
    } else if (event.key === 'Enter' && found[here]) {
      event.preventDefault();
      onPick(found[here].region);
    }
  };
  return (
    <>
      <input
        className={classNames.search}
        role="combobox"
        aria-expanded="true"
        aria-controls={`${id}-list`}
        aria-activedescendant={found[here] ? idOf(found[here]) : undefined}
        aria-label={words.search}
        placeholder={words.hint}
        value={search}
        onChange={(event) => {
          setSearch(event.target.value);
          setAt(event.target.value.trim() === '' ? first() : 0);
        }}
        onKeyDown={onKeyDown}
      />
      <div
        id={`${id}-list`}
        role="listbox"
        aria-label={words.regions}
        className={classNames.list}
        tabIndex={-1}
      >
        {found.map((choice, i) => (
          // biome-ignore lint/a11y/useFocusableInteractive: the search line holds the focus, after the combobox pattern
          // biome-ignore lint/a11y/useKeyWithClickEvents: keys are taken by the search line
          <div
            key={choice.region}
            id={idOf(choice)}
            role="option"
            aria-selected={i === here}
            ref={(element) => {
              if (i === here) element?.scrollIntoView({ block: 'nearest' });
            }}
            className={classNames.region}
            onClick={() => onPick(choice.region)}
          >
            <span>{choice.name}</span>
            <span className={classNames.code}>+{choice.code}</span>
          </div>
        ))}
        {found.length === 0 && <p className={classNames.none}>{words.none}</p>}
      </div>
    </>
  );
}
