/**
 * An option of a definition as data. The type of the entry (below), the reader with its faults (`read.ts`),
 * the JSON Schema (`schema.ts`), the editors of the desk and `docs/options.md` are derived from it.
 */
interface Described {
  /** Label of its editor. */
  readonly label: string;
  /** One sentence for the reference and the schema, if the label is not enough. */
  readonly about?: string;
  /** The parts of the specimen where it is defined. */
  readonly at: readonly string[];
  /** It only has an effect if another option has this value. */
  readonly when?: { readonly option: string; readonly is: Constant };
  /** It must be present. */
  readonly needed?: true;
  /** It only changes how the field is drawn, so tapes do not depend on it. */
  readonly drawn?: true;
}

/** A JSON value that a list of choices can contain. */
type Constant = string | number | boolean | readonly string[];

/** An option with one of several values, each with a description. */
export interface Choice extends Described {
  readonly is: 'choice';
  readonly choices: readonly (readonly [value: Constant, words: string])[];
  /** Default; absent if that depends on something else, which `otherwise` describes. */
  readonly usual?: Constant;
  readonly otherwise?: string;
}

/** A whole number within bounds, both inclusive. */
export interface Whole extends Described {
  readonly is: 'whole';
  readonly min: number;
  readonly max: number;
  /** Largest value that screens offer, if documents allow more. */
  readonly offered?: number;
  readonly usual?: number;
  readonly otherwise?: string;
}

/** An option that is a text with a syntax of its own. */
export interface Text extends Described {
  readonly is: 'text';
  /** Whether it is a program, so that screens use a code editor. */
  readonly isCode?: true;
  /** Regular expression (ECMAScript, flag `u`) for the whole text: all that a schema can express. */
  readonly form?: string;
  /**
   * All possible values, if they can be listed; beside a `form`, those this platform knows. Called when
   * needed.
   */
  readonly among?: () => readonly string[];
  /** The fault of a text that does not match the form, as a sentence. `{}` is the text. */
  readonly expected?: string;
  /** A correct value, if there is one answer for all. */
  readonly suggestion?: string;
  /** The value that a new field begins with in a format locale (BCP 47), if the locale says one. */
  readonly suggestedIn?: (locale: string) => string | undefined;
  /** Checks what no form can express. Such an option is listed in `schema.ts`. */
  readonly check?: (text: string, around: Surroundings) => readonly TextFault[];
  /** A list of so many such texts may be in its place, in order of preference. */
  readonly orList?: number;
  readonly usual?: string;
  readonly otherwise?: string;
  /** Texts to begin with, with words where they need some. */
  readonly offers?: () => readonly (readonly [text: string, words: string])[];
}

/** An option with several values of one type. */
export interface List extends Described {
  readonly is: 'list';
  readonly of: ListItem;
  readonly least: number;
  /** Largest number of values, if that is less than any list may have. */
  readonly most?: number;
  /** A word that stands for all possible values. */
  readonly any?: string;
  readonly usual?: string | readonly (string | number)[];
  readonly otherwise?: string;
}

export type ListItem =
  | { readonly is: 'choice'; readonly choices: readonly (readonly [value: string, words: string])[] }
  | { readonly is: 'whole'; readonly min: number; readonly max: number }
  | Pick<Text, 'is' | 'among' | 'form' | 'expected' | 'suggestion' | 'isCode'>;

/** A minimum and a maximum, both optional, the minimum not above the maximum. */
export interface Bounds extends Described {
  readonly is: 'bounds';
  readonly min: number;
  readonly max: number;
  readonly offered?: number;
  readonly otherwise?: string;
}

/** Choices for the user: values with labels, all different. */
export interface Picks extends Described {
  readonly is: 'picks';
  readonly least: number;
}

/** One value of a choice. */
export interface Offer {
  readonly value: string;
  readonly label: string;
}

/**
 * The form of values and labels of choices (ECMAScript, flag `u`). Values are one line without spaces at its
 * ends; labels appear in a list separated by semicolons.
 *
 * @example
 * new RegExp(pickForm.value, 'u').test('half board'); // true
 */
export const pickForm = {
  value: '^(?!.*\\p{Cc})\\S(?:.{0,98}\\S)?$',
  label: '^(?=.*\\S)[^;\\p{Cc}]{1,200}$',
} as const;

/**
 * An option of an entry: its allowed values, its default, its description, and the pieces of the specimen it
 * belongs to.
 */
export type Option = Choice | Whole | Text | List | Bounds | Picks;
/** All options of a kind's entry, by name. */
export type Options = Readonly<Record<string, Option>>;
/** All members of a check, by name. */
export type CheckOptions = Readonly<Record<string, Option | Limit>>;

/** A fault in a text: a sentence, and its place and a correction where these are known. */
export interface TextFault {
  /** It stays the same when the message is reworded. */
  readonly code?: string;
  readonly message: string;
  /** 1-based, in characters. */
  readonly column?: number;
  readonly suggestion?: string | undefined;
}

/**
 * A limit in the raw form of the field's kind: a decimal, an ISO 8601 date or time, `today+18m`, whole
 * minutes. Only the kind knows which are valid.
 */
export interface Limit extends Described {
  readonly is: 'limit';
}

/** What an option may need to know of its document. */
export interface Surroundings {
  /** Names of the character classes that the set defines. */
  readonly classes: readonly string[];
}

/** The type of a value that an option accepts. */
type ValueOf<O> = O extends { is: 'choice'; choices: readonly (readonly [infer V, string])[] }
  ? V
  : O extends { is: 'whole' }
    ? number
    : O extends { is: 'text' }
      ? string | (O extends { orList: number } ? readonly string[] : never)
      : O extends { is: 'bounds' }
        ? { readonly min?: number; readonly max?: number }
        : O extends { is: 'picks' }
          ? readonly Offer[]
          : O extends { is: 'limit' }
            ? string | number
            : O extends { is: 'list'; of: infer I }
              ? readonly ValueOf<I>[] | (O extends { any: infer A } ? A : never)
              : never;

type Needed<O> = { [K in keyof O]: O[K] extends { needed: true } ? K : never }[keyof O];
type Usual<O> = { [K in keyof O]: O[K] extends { usual: unknown } ? K : never }[keyof O];
type Plain<T> = { readonly [K in keyof T]: T[K] };

/** The type of an entry with these options, as a document writes it. */
export type EntryOf<O extends CheckOptions> = Plain<
  { readonly [K in Needed<O>]: ValueOf<O[K]> } & {
    readonly [K in Exclude<keyof O, Needed<O>>]?: ValueOf<O[K]>;
  }
>;

/** The same type with defaults filled in. */
export type FilledEntry<O extends Options> = Plain<
  { readonly [K in Needed<O> | Usual<O>]: ValueOf<O[K]> } & {
    readonly [K in Exclude<keyof O, Needed<O> | Usual<O>>]?: ValueOf<O[K]>;
  }
>;

/** An entry with its missing options set to their defaults. */
export function filled<O extends Options>(options: O, entry: EntryOf<O>): FilledEntry<O> {
  const all: Record<string, unknown> = {};
  for (const [key, option] of Object.entries(options))
    if ('usual' in option && option.usual !== undefined) all[key] = option.usual;
  for (const [key, value] of Object.entries(entry)) if (value !== undefined) all[key] = value;
  // Every option with a default has a value now, and the entry was read against the same options.
  return all as FilledEntry<O>;
}

/** Whether an entry may be left out: none of its options is required. */
export const mayBeLeftOut = (options: Options): boolean =>
  Object.values(options).every(({ needed }) => !needed);

/** An option that is true or false, with a description of each. */
export const yesNo = <const D extends Described & { readonly usual: boolean }>(
  yes: string,
  no: string,
  described: D,
): D & { is: 'choice'; choices: readonly [readonly [true, string], readonly [false, string]] } => ({
  ...described,
  is: 'choice',
  choices: [
    [true, yes],
    [false, no],
  ],
});
