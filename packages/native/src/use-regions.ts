import { findRegions, type RegionChoice, regionChoices, regionEvent, regionIn } from '@arbeit/dom/stores';
import { useState } from 'react';
import { type NativeOpenerProps, useOpener } from './opener.ts';
import type { NativeField } from './use-native-field.ts';

/** A region to pick. */
export interface NativeRegion extends RegionChoice {
  /** Spread on its `Pressable`. */
  readonly pressProps: {
    readonly role: 'radio';
    readonly 'aria-label': string;
    readonly 'aria-checked': boolean;
    onPress(): void;
  };
}

/** The regions of a telephone field. */
export interface NativeRegions {
  /** The text of the button: the region of the number and its calling code. */
  readonly text: string;
  readonly openerProps: NativeOpenerProps;
  /** `undefined` while the list is closed. */
  readonly list:
    | {
        /** What the list is called. */
        readonly name: string;
        /** Spread on the `TextInput` that searches it. */
        readonly searchProps: {
          readonly value: string;
          readonly 'aria-label': string;
          readonly placeholder: string;
          readonly autoCorrect: false;
          onChangeText(text: string): void;
        };
        /** Those that are found. */
        readonly regions: readonly NativeRegion[];
        /** What is said if none is found. */
        readonly none: string;
      }
    | undefined;
}

/**
 * The list of regions beside a telephone field: by name, letters or calling code. The digits stay.
 *
 * @example
 * function Opener({ field }: { readonly field: NativeField }) {
 *   const { text, openerProps } = useRegions(field);
 *   return [text, openerProps['aria-expanded']];
 * }
 */
export function useRegions({ store }: NativeField): NativeRegions {
  /** What is searched for; `undefined` while the list is closed. */
  const [search, setSearch] = useState<string>();
  const { field } = store;
  const opener = useOpener(field);
  const { words = {} } = field;
  const { region, code, name, plans } = regionIn(store);
  const text = `${region} +${code}`;
  const close = (): void => {
    setSearch(undefined);
    opener.focus();
  };
  const pick = (chosen: string): void => {
    const event = regionEvent(store, chosen);
    if (event) store.dispatch(event);
    close();
  };
  const all = search === undefined ? [] : regionChoices(plans, field.language ?? field.locale);
  return {
    text,
    openerProps: opener.propsFor(`${text}: ${name}`, search !== undefined, () =>
      search === undefined ? setSearch('') : close(),
    ),
    list:
      search === undefined
        ? undefined
        : {
            name: words.regions ?? '',
            searchProps: {
              value: search,
              'aria-label': words['region-search'] ?? '',
              placeholder: words['region-hint'] ?? '',
              autoCorrect: false,
              onChangeText: setSearch,
            },
            regions: findRegions(all, search).map((one) => ({
              ...one,
              pressProps: {
                role: 'radio',
                'aria-label': `${one.name} +${one.code}`,
                'aria-checked': one.region === region,
                onPress: () => pick(one.region),
              },
            })),
            none: words['no-region'] ?? '',
          },
  };
}
