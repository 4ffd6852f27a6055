import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { StreamLanguage } from '@codemirror/language';
import type { Offer } from '../../field/own-code/code-editor.tsx';

const actions: Readonly<Record<string, string>> = {
  focus: 'into the field', leave: 'out of it', type: '"…": a key each', insert: '"…": in one piece', paste: '"…"', autofill: '"…": by the browser', set: '"…": by the program', backspace: 'how often', delete: 'how often', 'word-backspace': 'how often', cut: 'what is selected', caret: 'where to', select: 'from, to; or all', left: 'how often', right: 'how often', home: 'to the beginning', end: 'to the end', up: 'how often', down: 'how often', undo: 'a step back', redo: 'a step forth', wait: '300ms', submit: 'send it', reset: 'as at first', answer: 'rule, pass or fail', unreachable: 'rule nobody answers', sent: 'the server took it', expect: 'what is there now', field: 'what it is played on', form: 'what it is played on', today: 'the day',
}; // biome-ignore format: a table
const subjects: Readonly<Record<string, string>> = {
  display: '"…", one bar for the caret', raw: '"…"', value: '"…" or null', codes: 'what is shown, or none', message: '"…"', verdict: 'rule, pass open or fail', flags: 'with ! for not', rejected: 'why, or none', 'left-out': '"…"', asks: 'rule, "…"', record: '{ … }', submitted: 'or none', focus: 'a field, or none',
}; // biome-ignore format: a table

/** The language of tapes, for colouring: words of its own, texts in quotes, remarks. */
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
    const isKnown = state.isFirst
      ? Object.hasOwn(actions, word) || word === 'tape'
      : Object.hasOwn(subjects, word);
    state.isFirst = false;
    return isKnown ? 'keyword' : null;
  },
});

/** What can be written in a tape on a set: its words, the fields it is about, their rules. */
export function offersFor({ fields, forms = [] }: SetDocument, text: string): readonly Offer[] {
  const [, type, id] = /^[ \t]*(field|form)[ \t]+(\S+)/m.exec(text) ?? [];
  const form = type === 'form' ? forms.find((one) => one.id === id) : undefined;
  const ids = form ? fieldIdsOf(form) : type === 'field' && id ? [id] : fields.map((field) => field.id);
  const own = fields.filter((field) => ids.includes(field.id));
  const rules = [...own.flatMap((field) => field.rules ?? []), ...(form?.rules ?? [])];
  const words = (table: Readonly<Record<string, string>>): readonly Offer[] =>
    Object.entries(table).map(([label, detail]) => ({ label, detail }));
  return [
    ...words(actions),
    ...words(subjects),
    ...own.map((field) => ({ label: field.id, detail: field.label })),
    ...rules.map((rule) => ({ label: rule.id, detail: 'a rule' })),
  ].filter((one, i, all) => all.findIndex(({ label }) => label === one.label) === i);
}
