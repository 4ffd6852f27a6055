import type { FieldEvent } from '@arbeit/engine/field';
import type { PhoneBody, PhonePlan } from '@arbeit/engine/kinds/phone';
import type { FieldStore } from './store.ts';

/** A region as a list shows it. */
export interface RegionChoice {
  readonly region: string;
  readonly name: string;
  readonly code: string;
}

/** Choices by plans and language: names and collation cost milliseconds, and a list is drawn at every key. */
const known = new WeakMap<object, Map<string, readonly RegionChoice[]>>();

/**
 * The regions whose plans a field has, each with its calling code, sorted by name in the reader's language
 * (`Intl.DisplayNames`).
 *
 * @example
 * const [first] = regionChoices({ FR: { code: '33' } }, 'en');
 */
export function regionChoices(
  plans: Readonly<Record<string, { readonly code: string }>>,
  locale: string,
): readonly RegionChoice[] {
  const own = known.get(plans) ?? new Map<string, readonly RegionChoice[]>();
  known.set(plans, own);
  let choices = own.get(locale);
  if (!choices) {
    // Hermes, the engine of React Native, has no names of regions.
    const names = 'DisplayNames' in Intl ? new Intl.DisplayNames(locale, { type: 'region' }) : undefined;
    const collator = new Intl.Collator(locale);
    choices = Object.entries(plans)
      .map(([region, { code }]) => ({ region, name: names?.of(region) ?? region, code }))
      .sort((a, b) => collator.compare(a.name, b.name));
    own.set(locale, choices);
  }
  return choices;
}

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/**
 * The choices that a search means: by the beginning of a word of the name, the region's letters, or the
 * calling code.
 *
 * @example
 * findRegions(regionChoices({ FR: { code: '33' } }, 'en'), '+33');
 */
export function findRegions(choices: readonly RegionChoice[], search: string): readonly RegionChoice[] {
  const text = plain(search.trim());
  if (!text) return choices;
  const digits = text.replace(/^\+|^00/, '');
  if (/^\d+$/.test(digits))
    return choices.filter(({ code }) => code.startsWith(digits) || digits.startsWith(code));
  const found = choices.filter(
    ({ name, region }) =>
      region.toLowerCase() === text ||
      plain(name).startsWith(text) ||
      plain(name)
        .split(/[\s-]+/)
        .some((word) => word.startsWith(text)),
  );
  // Names that begin with the text come before names that contain such a word.
  const begins = ({ name }: RegionChoice) => plain(name).startsWith(text);
  return [...found.filter(begins), ...found.filter((choice) => !begins(choice))];
}

/** The region of a telephone number, and the plans of those it may have. */
export interface Region {
  readonly region: string;
  /** Its calling code, without `+`. */
  readonly code: string;
  readonly name: string;
  readonly plans: Readonly<Record<string, { readonly code: string }>>;
}

/**
 * The region of a telephone field, found while it is typed; the home region before.
 *
 * @example
 * const { region } = regionIn(createStore(pass, evaluateOn()));
 */
export function regionIn({ field, state }: FieldStore): Region {
  const { plans, home } = field.plan as PhonePlan;
  const region = field.kind.facts?.(field.plan, state().body)?.region || home;
  const found = regionChoices(plans, field.language ?? field.locale).find((one) => one.region === region);
  return { region, code: plans[region]?.code ?? '', name: found?.name ?? region, plans };
}

/**
 * The event that gives a telephone number another region; its digits stay. `undefined` for a region that the
 * field does not have.
 *
 * @example
 * const event = regionEvent(createStore(pass, evaluateOn()), 'FR');
 */
export function regionEvent({ field, state }: FieldStore, region: string): FieldEvent | undefined {
  const { plans, home } = field.plan as PhonePlan;
  const own = plans[region];
  if (!own) return undefined;
  const { digits } = (state().body as PhoneBody).read;
  return { type: 'set', text: region === home ? own.trunk + digits : `+${own.code}${digits}` };
}
