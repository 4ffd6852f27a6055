import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { actionSpellings, headSpellings, subjectSpellings } from '@arbeit/engine/tape';
import { StreamLanguage } from '@codemirror/language';
import type { Offer } from '../../field/custom-code/code-editor.tsx';
import * as texts from '../../words/trials/tape-language.ts';

const lines = [...actionSpellings, { word: 'expect', says: texts.theCurrentState }, ...headSpellings];
const actions = new Map(lines.map(({ word, says }) => [word.split(' ')[0]!, says]));
const subjects = new Map(subjectSpellings.map(({ word, says }) => [word, says]));

/** The language of tapes for syntax colouring: keywords, quoted texts, comments. */
export const tapeLanguage = StreamLanguage.define<{ isFirst: boolean }>({
  startState: () => ({ isFirst: true }),
  token(stream, state) {
    if (stream.sol()) state.isFirst = true;
    if (stream.eatSpace()) return null;
    if (stream.peek() === '#') {
      stream.skipToEnd();
      return 'comment';
    }
    if (stream.match(/^"(?:[^"\\]|\\.)*"?/)) return 'string';
    const [word = ''] = (stream.match(/^[^\s"#]+/) as RegExpMatchArray | null) ?? [stream.next() ?? ''];
    const isKnown = state.isFirst ? actions.has(word) : subjects.has(word);
    state.isFirst = false;
    return isKnown ? 'keyword' : null;
  },
});

/** Completions in a tape on a set: keywords, fields, and their rules. */
export function offersFor({ fields, forms = [] }: SetDocument, text: string): readonly Offer[] {
  const [, type, id] = /^[ \t]*(field|form)[ \t]+(\S+)/m.exec(text) ?? [];
  const form = type === 'form' ? forms.find((one) => one.id === id) : undefined;
  const ids = form ? fieldIdsOf(form) : type === 'field' && id ? [id] : fields.map((field) => field.id);
  const own = fields.filter((field) => ids.includes(field.id));
  const rules = [...own.flatMap((field) => field.rules ?? []), ...(form?.rules ?? [])];
  const words = (table: ReadonlyMap<string, string>): readonly Offer[] =>
    Array.from(table, ([label, detail]) => ({ label, detail }));
  return [
    ...words(actions),
    ...words(subjects),
    ...own.map((field) => ({ label: field.id, detail: field.label })),
    ...rules.map((rule) => ({ label: rule.id, detail: texts.aRule })),
  ].filter((one, i, all) => all.findIndex(({ label }) => label === one.label) === i);
}
