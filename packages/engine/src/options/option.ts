/**
 * An option of a definition as data: everything anyone asks of it is said here once. From it come the type of the
 * entry (below), the reader with its faults (`read.ts`), the JSON Schema (`schema.ts`), the editors of the desk and the table
 * in `docs/options.md`.
 */
interface Described {
  /** For people: what a developer sees over its editor. */
  readonly label: string;
  /** One sentence for the reference and the schema, where the label does not say it all. */
  readonly about?: string;
  /** The pieces of the specimen it is defined at. */
  readonly at: readonly string[];
  /** Means something only where another option is this; elsewhere it may stand and changes nothing. */
  readonly when?: { readonly option: string; readonly is: Constant };
  /** It must be given. */
  readonly needed?: true;
  /** It says how the field is drawn: what a tape could tell does not depend on it, or not on how much of it there is. */
  readonly drawn?: true;
}

/** A value of JSON that can stand in a list of choices. */
type Constant = string | number | boolean | readonly string[];

/** One of several values, each with its words. */
export interface Choice extends Described {
  readonly is: 'choice';
  readonly choices: readonly (readonly [value: Constant, words: string])[];
  /** What it is where nothing is said; left out where that depends on something else, which `otherwise` then says. */
  readonly usual?: Constant;
  readonly otherwise?: string;
}

/** A whole number within bounds, both included. */
export interface Whole extends Described {
  readonly is: 'whole';
  readonly min: number;
  readonly max: number;
  /** The most a screen offers, where that is less than what may stand in a document. */
  readonly offered?: number;
  readonly usual?: number;
  readonly otherwise?: string;
}

/** A text with a form of its own. */
export interface Text extends Described {
  readonly is: 'text';
  /** It is a program: a screen edits it as one. */
  readonly isCode?: true;
  /** All that a schema can say of it: ECMAScript with `u`, the whole of the text. */
  readonly form?: string;
  /** All it can be, where that can be listed; with a `form` beside it, as far as this platform knows. Asked for when it is needed. */
  readonly among?: () => readonly string[];
  /** What is wrong with a text that is not of that form, in a sentence. `{}` is the text. */
  readonly expected?: string;
  /** What to write instead, where there is one answer for all. */
  readonly suggestion?: string;
  /** What no form can say; such an option is on the schema's list of what it leaves out. */
  readonly check?: (text: string, around: Surroundings) => readonly TextFault[];
  readonly usual?: string;
  readonly otherwise?: string;
  /** Other texts that a slip of the hand would lead to, for mutation tests; `classes` are the names of the set's own. */
  readonly mutants?: (
    text: string,
    classes: readonly string[],
  ) => readonly { readonly text: string; readonly words: string }[];
  /** Texts to begin with, each with words where it needs any. */
  readonly offers?: () => readonly (readonly [text: string, words: string])[];
}

/** Several values of one sort. */
export interface List extends Described {
  readonly is: 'list';
  readonly of: ListItem;
  readonly least: number;
  /** The most values it has, where that is less than any list may have. */
  readonly most?: number;
  /** A word that stands for all there are. */
  readonly any?: string;
  readonly usual?: string | readonly (string | number)[];
  readonly otherwise?: string;
}

export type ListItem =
  | { readonly is: 'choice'; readonly choices: readonly (readonly [value: string, words: string])[] }
  | { readonly is: 'whole'; readonly min: number; readonly max: number }
  | Pick<Text, 'is' | 'among' | 'form' | 'expected' | 'suggestion' | 'isCode'>;

/** A least and a most, each of them optional, the least not above the most. */
export interface Bounds extends Described {
  readonly is: 'bounds';
  readonly min: number;
  readonly max: number;
  readonly offered?: number;
  readonly otherwise?: string;
}

/** What a user may choose from: a value for the program and its words for people each, no two alike. */
export interface Picks extends Described {
  readonly is: 'picks';
  readonly least: number;
}

/** One of them. */
export interface Offer {
  readonly value: string;
  readonly label: string;
}

/**
 * The form of values and labels of choices (ECMAScript, flag `u`). Values appear in a list separated by
 * spaces (HTML), labels in one separated by semicolons.
 *
 * @example
 * new RegExp(pickForm.value, 'u').test('half'); // true
 */
export const pickForm = { value: '^\\S{1,100}$', label: '^(?=.*\\S)[^;\\p{Cc}]{1,200}$' } as const;

/** One option of an entry, described: what it may be, what it is usually, what people call it, which pieces of the specimen it belongs to. */
export type Option = Choice | Whole | Text | List | Bounds | Picks;
/** All options of a kind's entry, by name. */
export type Options = Readonly<Record<string, Option>>;
/** All members of a check, by name. */
export type CheckOptions = Readonly<Record<string, Option | Limit>>;

/** What a fault in a text says: the sentence, and where in it and what instead, where that is known. */
export interface TextFault {
  readonly message: string;
  /** 1-based, in characters. */
  readonly column?: number;
  readonly suggestion?: string | undefined;
}

/** A limit in the raw form of the field's kind: a decimal, an ISO 8601 date or time, `today+18m`, whole minutes. What it may be, only the kind knows. */
export interface Limit extends Described {
  readonly is: 'limit';
}

/** What an option may need to know of the document it stands in. */
export interface Surroundings {
  /** Names of the set's own classes of characters. */
  readonly classes: readonly string[];
}

/** The type of a value that an option takes. */
type ValueOf<O> = O extends { is: 'choice'; choices: readonly (readonly [infer V, string])[] }
  ? V
  : O extends { is: 'whole' }
    ? number
    : O extends { is: 'text' }
      ? string
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

/** The same with what is usual filled in. */
export type FilledEntry<O extends Options> = Plain<
  { readonly [K in Needed<O> | Usual<O>]: ValueOf<O[K]> } & {
    readonly [K in Exclude<keyof O, Needed<O> | Usual<O>>]?: ValueOf<O[K]>;
  }
>;

/** An entry with what is usual where it says nothing. */
export function filled<O extends Options>(options: O, entry: EntryOf<O>): FilledEntry<O> {
  const all: Record<string, unknown> = {};
  for (const [key, option] of Object.entries(options))
    if ('usual' in option && option.usual !== undefined) all[key] = option.usual;
  for (const [key, value] of Object.entries(entry)) if (value !== undefined) all[key] = value;
  // Every option with a usual value has one now, and the entry was read against the same options.
  return all as FilledEntry<O>;
}

/** Whether an entry may be left out: nothing in it is needed. */
export const mayBeLeftOut = (options: Options): boolean =>
  Object.values(options).every(({ needed }) => !needed);

/** Yes or no, in words for what each means. */
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
