import { isConcealed, shapeOf } from '@arbeit/dom';
import { fieldIdsOf, languageOf, type SetDocument } from '@arbeit/engine/document';
import { fieldName } from '@arbeit/engine/field';
import type { KindTable } from '@arbeit/engine/kinds';
import { languages, wordingFor } from '@arbeit/engine/rules';
import { capital, fileName, namesIn, recordName } from '../../names.ts';
import { type Needs, needsOf, type Use } from '../adapters.ts';
import { isRightToLeft, submitWord } from '../html-page.ts';
import { type NativeField, nativesOf } from '../native.ts';

/** The applications of a hand-off, by the name of their folder. */
export type AppName = 'react' | 'next' | 'native' | 'vue' | 'svelte' | 'angular' | 'page';

/** A small application that uses the hand-off around it, in the folder of its name below `apps`. */
export interface Application {
  readonly name: AppName;
  /** The use that it shows. */
  readonly use: Use;
  readonly title: string;
  /** Its files by path in its folder, sorted. */
  readonly files: ReadonlyMap<string, string>;
  /** The files that a developer writes, by path, most important first. */
  readonly own: readonly string[];
}

/** Fields of a form under one title. */
export interface AppSection {
  readonly title: string | undefined;
  readonly columns: number;
  /** Names of the fields (`fieldName`). */
  readonly fields: readonly string[];
}

/** What the fields of an application need to be drawn. */
export interface AppNeeds extends Needs {
  /** Whether a field conceals what is typed. */
  readonly conceals: boolean;
  /** Whether a field has several lines. */
  readonly hasLines: boolean;
}

/** What an application contains: the first form of the set, or all fields if the set has no form. */
export interface AppFacts {
  /** Title of the set, for example in `package.json`. */
  readonly title: string;
  /** Name of the set in lower case with hyphens. */
  readonly slug: string;
  /** What the names of elements begin with. */
  readonly prefix: string;
  readonly language: string;
  readonly isRightToLeft: boolean;
  readonly form:
    | {
        readonly id: string;
        readonly title: string;
        /** Its name in `fields.js`. */
        readonly name: string;
        /** Its name with a capital: `checkBooking`. */
        readonly stem: string;
        /** The type of its record. */
        readonly record: string;
        readonly sections: readonly AppSection[];
      }
    | undefined;
  /** Names of the fields in `fields.js`, in order. Without a form the application shows them all. */
  readonly fields: readonly string[];
  readonly needs: AppNeeds;
  /** Paths that the rules of the form or the fields ask. */
  readonly asks: readonly string[];
  /** The same fields with native controls, for pages without scripts. */
  readonly natives: readonly NativeField[];
  /** Texts in the language of the set. */
  readonly words: { readonly submit: string; readonly unreachable: string };
}

/** What the applications of a set are about; `undefined` if it has no field that can be drawn. */
export function factsOf(set: SetDocument, kinds: KindTable, prefix: string): AppFacts | undefined {
  const nameOf = namesIn(set);
  const form = (set.forms ?? []).find((one) => fieldIdsOf(one).length > 0);
  const ids = form ? fieldIdsOf(form) : set.fields.map(({ id }) => id);
  const own = set.fields.filter(({ id }) => ids.includes(id));
  if (own.length === 0) return undefined;
  const language = languageOf({}, set);
  const wording = wordingFor(languages, language);
  const rules = [...own, ...(form ? [form] : [])].flatMap((one) => one.rules ?? []);
  const asks = rules.flatMap(({ check }) => (check.type === 'remote' ? [check.ask] : []));
  const all = nativesOf(set, kinds);
  // The reader has verified that each of them exists.
  const natives = ids.map((id) => all.get(id)!);
  const name = form ? nameOf(`${form.id}-form`) : '';
  return {
    title: set.title,
    slug: fileName(set.title).replace(/\.arbeit\.json$/, ''),
    prefix,
    language,
    isRightToLeft: isRightToLeft(language),
    form: form && {
      id: form.id,
      title: form.title ?? form.id,
      name,
      stem: capital(name.replace(/Form$/, '')),
      record: recordName(name),
      sections: (form.sections ?? [{ fields: form.fields ?? [] }]).map((section) => ({
        title: section.title,
        columns: section.columns ?? 1,
        fields: section.fields.map((id) => fieldName(natives.find(({ field }) => field.id === id)!.field)),
      })),
    },
    fields: ids.map(nameOf),
    // What only other forms of the set need is not imported.
    needs: {
      ...needsOf({ ...set, fields: own, forms: form ? [form] : [] }, kinds),
      conceals: natives.some(({ field }) => isConcealed(field)),
      hasLines: natives.some(({ field }) => shapeOf(field).control === 'textarea'),
    },
    asks: [...new Set(asks)],
    natives,
    words: {
      submit: submitWord(language),
      unreachable: String(wording.unreachable),
    },
  };
}
