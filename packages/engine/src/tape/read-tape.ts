import { nearest } from '../faults/fault.ts';
import type { Flags } from '../field/reading.ts';
import { item } from '../values/item.ts';
import { type Expected, flagNames, reasons, type Step, type Tape, type TapeFault } from './script.ts';

export type TapeResult =
  | { readonly ok: true; readonly tape: Tape }
  | { readonly ok: false; readonly faults: readonly TapeFault[] };

/** Reads a tape. Every line that cannot be read is one fault; nothing is half-read. */
export function readTape(source: string): TapeResult {
  const faults: TapeFault[] = [];
  const steps: Step[] = [];
  let title: string | undefined;
  let target: Tape['target'] | undefined;
  let today: string | undefined;
  const lines = source.split(/\r?\n/);
  for (const [i, text] of lines.entries()) {
    const record = /^\s*expect\s+record\s/.exec(text)?.[0];
    if (record !== undefined) {
      const step = readRecord(text.slice(record.length), i + 1, record.length, faults);
      if (step) steps.push({ line: i + 1, source: text.trim(), ...step });
      continue;
    }
    const words = split(text, i + 1, faults);
    if (!words?.length) continue;
    const line = new Line(words, i + 1, text.length, faults);
    const verb = line.word();
    if (verb === 'tape') title = line.text() ?? title;
    else if (verb === 'field' || verb === 'form') {
      if (target) line.complain('This tape has its field or form already.', 0);
      const id = line.name(`the id of a ${verb}`);
      if (id) target ??= { type: verb, id };
    } else if (verb === 'today') {
      const date = line.name('a date such as 2027-02-10');
      if (date && !isDate(date)) line.complain(`"${date}" is no date: expected one such as 2027-02-10.`, 1);
      today = date;
    } else {
      const step = readStep(verb ?? '', line);
      if (step) steps.push({ line: i + 1, source: text.trim(), ...step });
    }
    line.end();
  }
  if (!target && faults.length === 0)
    faults.push({
      line: 1,
      column: 1,
      message: 'Expected a line such as "field phone" or "form booking" before the first action.',
    });
  if (faults.length || !target) return { ok: false, faults };
  return { ok: true, tape: { title: title ?? 'Untitled', target, ...(today ? { today } : {}), steps } };
}

function isDate(text: string): boolean {
  const date = /^\d{4}-\d{2}-\d{2}$/.test(text) ? new Date(`${text}T00:00:00Z`) : undefined;
  return date !== undefined && !Number.isNaN(+date) && date.toISOString().startsWith(text);
}

type Word = { readonly at: number; readonly word: string } | { readonly at: number; readonly text: string };

/** A line as words and quoted texts, comments dropped. */
function split(text: string, line: number, faults: TapeFault[]): Word[] | undefined {
  const words: Word[] = [];
  let at = 0;
  while (at < text.length) {
    const c = item(text, at);
    if (/\s/.test(c)) at++;
    else if (c === '#') break;
    else if (c === '"') {
      const quoted = /^"(?:[^"\\]|\\.)*"/.exec(text.slice(at))?.[0];
      const read = quoted === undefined ? undefined : unquote(quoted);
      if (read === undefined) {
        const message = quoted
          ? 'This text has an escape that JSON does not know: expected \\", \\\\, \\n, \\t or \\u0041.'
          : "This text is not closed: expected '\"'.";
        faults.push({ line, column: at + 1, message });
        return undefined;
      }
      words.push({ at, text: read });
      at += quoted!.length;
    } else {
      const word = /^[^\s"#]+/.exec(text.slice(at))![0];
      words.push({ at, word });
      at += word.length;
    }
  }
  return words;
}

/** A JSON string. */
function unquote(quoted: string): string | undefined {
  try {
    return JSON.parse(quoted) as string;
  } catch {
    return undefined;
  }
}

/** The words of one line, taken from the left; what does not fit is one fault. */
class Line {
  private next = 0;
  private failed = false;
  constructor(
    private readonly words: readonly Word[],
    readonly number: number,
    private readonly length: number,
    private readonly faults: TapeFault[],
  ) {}

  complain(message: string, word = this.next): undefined {
    if (!this.failed)
      this.faults.push({ line: this.number, column: (this.words[word]?.at ?? this.length) + 1, message });
    this.failed = true;
  }
  peek(): Word | undefined {
    return this.words[this.next];
  }
  word(): string | undefined {
    const next = this.peek();
    if (!next || !('word' in next)) return undefined;
    this.next++;
    return next.word;
  }
  text(): string | undefined {
    const next = this.peek();
    if (!next || !('text' in next)) return this.complain('Expected a text in double quotes.');
    this.next++;
    return next.text;
  }
  name(what: string): string | undefined {
    return this.word() ?? this.complain(`Expected ${what}.`);
  }
  whole(what: string): number | undefined {
    const at = this.next;
    const word = this.word();
    if (word !== undefined && /^\d{1,6}$/.test(word)) return +word;
    return this.complain(`Expected ${what}, a whole number.`, at);
  }
  times(): number | undefined {
    return this.peek() ? this.whole('how often') : 1;
  }
  rest(): string[] {
    const words: string[] = [];
    for (let word = this.word(); word !== undefined; word = this.word()) words.push(word);
    return words;
  }
  end(): void {
    if (this.peek()) this.complain('Expected the end of the line.');
  }
}

type Bare<T> = T extends unknown ? Omit<T, 'line' | 'source'> : never;

const verbs = [
  'focus', 'leave', 'type', 'insert', 'paste', 'autofill', 'set', 'backspace', 'delete', 'word-backspace', 'cut', 'caret',
  'select', 'left', 'right', 'home', 'end', 'up', 'down', 'undo', 'redo', 'wait', 'submit', 'reset', 'expect',
  'answer', 'unreachable', 'sent',
  'tape', 'field', 'form', 'today',
]; // biome-ignore format: a list to read at a glance

function readStep(verb: string, line: Line): Bare<Step> | undefined {
  switch (verb) {
    case 'focus': {
      const field = line.word();
      return field === undefined ? { do: 'focus' } : { do: 'focus', field };
    }
    case 'leave':
    case 'cut':
    case 'home':
    case 'end':
    case 'undo':
    case 'redo':
    case 'submit':
    case 'reset':
      return { do: verb };
    case 'type':
    case 'insert':
    case 'paste':
    case 'autofill':
    case 'set': {
      const text = line.text();
      return text === undefined ? undefined : { do: verb, text };
    }
    case 'backspace':
    case 'delete':
    case 'left':
    case 'right':
    case 'up':
    case 'down':
    case 'word-backspace': {
      const times = line.times();
      return times === undefined ? undefined : { do: verb, times };
    }
    case 'caret': {
      const offset = line.whole('an offset');
      return offset === undefined ? undefined : { do: 'select', start: offset, end: offset };
    }
    case 'select':
      return readSelect(line);
    case 'wait': {
      const time = /^(\d{1,6})(ms|s)$/.exec(line.name('a time such as 300ms') ?? '');
      if (!time) return line.complain('Expected a time such as 300ms or 2s.', 1);
      return { do: 'wait', milliseconds: +item(time, 1) * (time[2] === 's' ? 1000 : 1) };
    }
    case 'expect':
      return readExpect(line);
    case 'answer':
    case 'unreachable':
      return readAnswer(verb, line);
    case 'sent':
      return readSent(line);
    default: {
      const meant = nearest(verb, verbs);
      return line.complain(
        `Nothing is known as "${verb}"${meant ? `: is "${meant}" meant?` : ': expected an action or "expect".'}`,
        0,
      );
    }
  }
}

/** The rest of a line as JSON: values by field. */
function readRecord(text: string, line: number, column: number, faults: TapeFault[]): Bare<Step> | undefined {
  try {
    const values: unknown = JSON.parse(text);
    if (typeof values === 'object' && values !== null && !Array.isArray(values))
      if (Object.values(values).every((one) => one === null || typeof one === 'string'))
        return { do: 'expect', what: 'record', values: values as Record<string, string | null> };
  } catch {
    // Told below, as is JSON of another shape.
  }
  const message = 'Expected the record as JSON: an object of texts, or null, by field.';
  faults.push({ line, column: column + 1, message });
  return undefined;
}

function readAnswer(verb: 'answer' | 'unreachable', line: Line): Bare<Step> | undefined {
  const rule = line.name('the id of a rule');
  if (rule === undefined) return undefined;
  if (verb === 'unreachable') return { do: 'answer', rule, verdict: verb };
  const verdict = line.name('pass or fail');
  if (verdict !== 'pass' && verdict !== 'fail') return line.complain('Expected pass or fail.', 2);
  const code = line.word();
  return { do: 'answer', rule, verdict, ...(code === undefined ? {} : { code }) };
}

function readSent(line: Line): Bare<Step> | undefined {
  const field = line.word();
  if (field === undefined) return { do: 'sent' };
  const code = line.name('the code of what is wrong with it');
  return code === undefined ? undefined : { do: 'sent', field, code };
}

function readSelect(line: Line): Bare<Step> | undefined {
  const next = line.peek();
  if (next && 'word' in next && next.word === 'all') {
    line.word();
    return { do: 'select-all' };
  }
  const start = line.whole('"all" or the offset where the selection starts');
  const end = start === undefined ? undefined : line.whole('the offset where it ends');
  return start === undefined || end === undefined ? undefined : { do: 'select', start, end };
}

const subjects = [
  'display', 'raw', 'value', 'codes', 'message', 'verdict', 'flags', 'rejected', 'left-out', 'asks', 'record', 'submitted', 'focus',
]; // biome-ignore format: a list to read at a glance

function readExpect(line: Line): Bare<Step> | undefined {
  let what = line.name(`what: ${subjects.join(', ')}`);
  let field: string | undefined;
  const next = line.peek();
  // A first word that is no subject is a field's id; so is one that another subject follows.
  if (
    what &&
    next &&
    'word' in next &&
    subjects.includes(next.word) &&
    !['codes', 'verdict', 'asks', 'focus'].includes(what)
  ) {
    field = what;
    what = line.word();
  }
  if (!what) return undefined;
  const expected = readExpected(what, line);
  return expected && { do: 'expect', ...(field === undefined ? {} : { field }), ...expected };
}

function readExpected(what: string, line: Line): Expected | undefined {
  switch (what) {
    case 'display':
      return readDisplay(line);
    case 'raw':
    case 'message':
    case 'left-out': {
      const text = line.text();
      return text === undefined ? undefined : { what, text };
    }
    case 'value': {
      const next = line.peek();
      if (next && 'word' in next && next.word === 'null') {
        line.word();
        return { what, text: null };
      }
      const text = line.text();
      return text === undefined ? undefined : { what, text };
    }
    case 'codes': {
      const codes = line.rest();
      if (codes.length === 0) return line.complain('Expected the codes of the shown messages, or none.');
      return { what, codes: codes[0] === 'none' ? [] : codes };
    }
    case 'verdict': {
      const rule = line.name('the id or the code of a rule');
      const verdict = line.name('pass, open or fail');
      if (!rule || !verdict) return undefined;
      if (verdict !== 'pass' && verdict !== 'open' && verdict !== 'fail')
        return line.complain('Expected pass, open or fail.', 3);
      return { what, rule, verdict };
    }
    case 'flags':
      return readFlags(line);
    case 'rejected': {
      const reason = line.name(`none, ${reasons.join(', ')}`);
      if (!reason) return undefined;
      if (reason !== 'none' && !reasons.some((known) => known === reason))
        return line.complain(`Expected none, ${reasons.join(', ')}.`, 2);
      return { what, reason: reason === 'none' ? null : reason };
    }
    case 'asks': {
      const rule = line.name('the id of a rule');
      if (rule === undefined) return undefined;
      const next = line.peek();
      if (next && 'word' in next && next.word === 'none') {
        line.word();
        return { what, rule, text: null };
      }
      const text = line.text();
      return text === undefined ? undefined : { what, rule, text };
    }
    case 'submitted': {
      const next = line.word();
      if (next !== undefined && next !== 'none')
        return line.complain('Expected the end of the line, or none.', 2);
      return { what, isSo: next === undefined };
    }
    case 'focus': {
      const id = line.name('the id of a field, or none');
      return id === undefined ? undefined : { what, id: id === 'none' ? null : id };
    }
    default: {
      const meant = nearest(what, subjects);
      return line.complain(
        `"${what}" cannot be expected: ${meant ? `is "${meant}" meant?` : `expected ${subjects.join(', ')}.`}`,
        1,
      );
    }
  }
}

/** A display with its caret: one bar marks it, two mark a selection, `\|` is a bar of the text. */
function readDisplay(line: Line): Expected | undefined {
  const at = line.number;
  const marked = line.text();
  if (marked === undefined) return undefined;
  const pieces = marked.split(/(\\\||\|)/);
  let text = '';
  const bars: number[] = [];
  for (const piece of pieces) {
    if (piece === '|') bars.push(text.length);
    else text += piece === '\\|' ? '|' : piece;
  }
  if (bars.length > 2)
    return line.complain(`Line ${at}: one bar marks the caret, two a selection; write \\\\| for a bar.`, 2);
  const [start, end = start] = bars;
  return start === undefined ? { what: 'display', text } : { what: 'display', text, caret: [start, end!] };
}

function readFlags(line: Line): Expected | undefined {
  const flags: [keyof Flags, boolean][] = [];
  for (const word of line.rest()) {
    const name = flagNames.find((flag) => flag === word.replace(/^!/, ''));
    if (!name)
      return line.complain(`"${word}" is no flag: expected ${flagNames.join(', ')}, with "!" for not.`);
    flags.push([name, !word.startsWith('!')]);
  }
  if (flags.length === 0) return line.complain(`Expected flags: ${flagNames.join(', ')}, with "!" for not.`);
  return { what: 'flags', flags };
}
