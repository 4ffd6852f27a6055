import type { Cursor } from '../faults/cursor.ts';
import type { Texts } from '../faults/say.ts';
import type { Definition, Limits } from '../kinds/contract/definition.ts';
import type { CheckOptions, EntryOf } from '../options/option.ts';
import type { Schema } from '../options/schema.ts';
import type { CheckContext, CheckedField, CheckedText } from '../rules/checks.ts';
import type { Finding } from '../rules/finding.ts';
import type { Languages } from '../rules/wording.ts';

/** A check as a document writes it. */
export interface CheckBase {
  readonly type: string;
}

/** One way to change a check, in words and as a check. */
export type Mutation = readonly [words: string, instead: CheckBase];

/**
 * Everything about a check except how it runs (`run.ts`) and is compiled (`compile.ts`): how it is read,
 * described to other tools, edited and mutated.
 */
export interface CheckDefinition<C extends CheckBase> {
  readonly type: C['type'];
  /**
   * Its members as data: their type, the reader, the JSON Schema and the desk's editor are derived from them.
   */
  readonly options: CheckOptions;
  /**
   * Reports faults that no single member has: limits, members against each other. `kind` is the kind of the
   * field if it is known.
   */
  read?(at: Cursor, kind: Definition | undefined): void;
  /** The texts of the errors that `read` reports, by code. */
  readonly faults?: Texts;
  /** What a schema can say about members against each other. */
  readonly rest?: Schema;
  /**
   * Names that its message may use in `{…}` beside the label; `own`: whatever the code or the server returns.
   */
  readonly data: readonly string[] | 'own';
  /** Members that plural forms of a message can depend on. */
  readonly numbers?: readonly string[];
  /** Every sensible way to break it. */
  mutations(check: C): readonly Mutation[];
}

/**
 * How a check gets from the document into a compiled field. Apart from `CheckDefinition`, because a page that
 * compiles fields carries this and nothing that reads documents.
 */
export interface CheckCompiler<D extends CheckBase = CheckBase, C extends CheckBase = CheckBase> {
  /** The codes it can fail with. Each has a text in every language. */
  readonly codes: readonly string[];
  /** A kind may have its own texts for these codes. */
  readonly isWordedByKinds?: true;
  /** The key of its text in the message tables, for a check with several texts for one code. */
  wordedAs?(check: C): string;
  /** Its numbers that are counts. Messages show them in the way of their language: 1,000. */
  readonly counts?: readonly string[];
  /**
   * The check as it runs; without it, the check as the document has it. Throws `RangeError` on what the
   * reader would have refused.
   */
  compile?(check: D, kind: Definition): C;
  /** The ids of other fields that it reads. */
  reads?(check: C): readonly string[];
}

/** The rule that a menu offers to start with. */
export interface CheckStart<D extends CheckBase = CheckBase> {
  readonly id: string;
  readonly label: string;
  readonly check: D;
  /** A line separates it from the rules before. */
  readonly isApart?: boolean;
}

/** What a screen says of checks of one type. */
export interface CheckWords<D extends CheckBase = CheckBase> {
  /** Rules to begin with; `limits` are those of the field's kind. */
  starts(limits: Limits | undefined): readonly CheckStart<D>[];
  /** What a rule asks for, in words: "at most £500.00". `limitInWords` writes a limit as the field does. */
  inWords(check: D, limitInWords: (limit: string | number) => string, limits: Limits | undefined): string;
  /** The code the check most likely fails with. */
  codeOf(check: D): string;
  /** The editor of the check; the editor of its options if left out. */
  readonly editor?: CheckEditorName;
}

/**
 * Editors of checks: limits as the field writes them, code with samples; `form`: the check is edited in a
 * form.
 */
export type CheckEditorName = 'limits' | 'code' | 'form';

/** What a check says of the text of a field, whatever the type of the check. */
export type AnyValidator = <P, B extends CheckedText>(
  field: CheckedField<P, B>,
  body: B,
  check: CheckBase,
  context: CheckContext,
  /** The id of the rule. */
  rule: string,
) => Finding;

/** A check that does not come with this package, complete. */
export interface CheckEntry {
  readonly define: CheckDefinition<CheckBase>;
  readonly compile: CheckCompiler;
  readonly run: AnyValidator;
  /** Its messages by language and code; the package's texts are not replaced. */
  readonly wording: Languages;
  /** What screens say of it. */
  readonly words?: CheckWords;
}

/**
 * Checks that do not come with this package, by type. They are handed to whatever reads, describes, compiles
 * or mutates documents.
 */
export type CheckTable = Readonly<Record<string, CheckEntry>>;

/**
 * A check of your own as an entry for a `CheckTable`. The members of the check have the types of its options.
 *
 * @example
 * const begins = checkEntry(
 *   {
 *     type: 'begins',
 *     options: { text: { is: 'text', label: 'Text', at: [], needed: true } },
 *     data: ['text'],
 *     mutations: () => [],
 *   },
 *   {
 *     codes: ['begins-otherwise'],
 *     run: ({ kind, plan }, body, { text }) =>
 *       kind.raw(plan, body).startsWith(text)
 *         ? { verdict: 'pass', code: 'begins-otherwise', data: {} }
 *         : { verdict: 'fail', code: 'begins-otherwise', data: { text } },
 *     wording: { en: { 'begins-otherwise': 'Start with {text}.' } },
 *   },
 * );
 */
export const checkEntry = <const T extends string, const O extends CheckOptions>(
  definition: Parameters<typeof define<T, O>>[0],
  {
    run,
    wording,
    words,
    ...compile
  }: Omit<CheckCompiler<CheckOf<T, O>, CheckOf<T, O>>, 'compile'> & {
    readonly run: <P, B extends CheckedText>(
      field: CheckedField<P, B>,
      body: B,
      check: CheckOf<T, O>,
      context: CheckContext,
      rule: string,
    ) => Finding;
    readonly wording: Languages;
    readonly words?: CheckWords<CheckOf<T, O>>;
  },
): CheckEntry =>
  // Each part receives only checks of this type.
  ({ define: define(definition), compile, run, wording, words }) as unknown as CheckEntry;

/** The check that a definition describes. */
export type CheckOf<T extends string, O extends CheckOptions> = { readonly type: T } & EntryOf<O>;

/** A definition whose check has the type of its options. */
export const define = <const T extends string, const O extends CheckOptions>(
  definition: Omit<CheckDefinition<CheckOf<T, O>>, 'type' | 'options'> & {
    readonly type: T;
    readonly options: O;
  },
): CheckDefinition<CheckOf<T, O>> & { readonly options: O } =>
  definition as CheckDefinition<CheckOf<T, O>> & { readonly options: O };
