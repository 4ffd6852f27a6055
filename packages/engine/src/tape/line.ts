import { type Said, say } from '../faults/say.ts';
import { tapeTexts } from '../faults/texts.ts';
import { itemAt } from '../values/item-at.ts';
import type { TapeFault } from './script.ts';

/** A word of a line, or a quoted text; `at` is its offset (UTF-16 units). */
type Token = { readonly at: number; readonly word: string } | { readonly at: number; readonly text: string };

/** One line of a tape, read from the left. The first thing that does not fit is reported as a fault. */
export class Line {
  readonly #tokens: Token[] = [];
  #next = 0;
  #at = 0;
  #failed = false;
  constructor(
    readonly source: string,
    readonly number: number,
    private readonly faults: TapeFault[],
  ) {}

  /** Reports a fault at a token: the next one by default. */
  complain(said: Said, token = this.#next): undefined {
    this.complainAt(this.#tokens[token]?.at ?? this.source.length, said);
  }
  complainAt(at: number, said: Said): undefined {
    if (!this.#failed) this.faults.push({ line: this.number, column: at + 1, ...said });
    this.#failed = true;
  }
  peek(): Token | undefined {
    if (this.#next === this.#tokens.length) {
      const token = this.#read();
      if (token) this.#tokens.push(token);
    }
    return this.#tokens[this.#next];
  }
  peekWord(): string | undefined {
    const next = this.peek();
    return next && 'word' in next ? next.word : undefined;
  }
  word(): string | undefined {
    const word = this.peekWord();
    if (word !== undefined) this.#next++;
    return word;
  }
  /** Takes the next word if it is this one. */
  takes(word: string): boolean {
    if (this.peekWord() !== word) return false;
    this.#next++;
    return true;
  }
  text(): string | undefined {
    const next = this.peek();
    if (!next || !('text' in next)) return this.complain(say(tapeTexts, 'expected-quoted'));
    this.#next++;
    return next.text;
  }
  name(what: string): string | undefined {
    return this.word() ?? this.complain(say(tapeTexts, 'expected', { what }));
  }
  whole(what: string): number | undefined {
    this.peek();
    const at = this.#next;
    const word = this.word();
    if (word !== undefined && /^\d{1,6}$/.test(word)) return +word;
    return this.complain(say(tapeTexts, 'expected-number', { what }), at);
  }
  times(): number | undefined {
    return this.peek() ? this.whole('how many times') : 1;
  }
  rest(): string[] {
    const words: string[] = [];
    for (let word = this.word(); word !== undefined; word = this.word()) words.push(word);
    return words;
  }
  /** The rest of the line as written, and its offset. */
  remainder(): { readonly at: number; readonly text: string } {
    const at = this.#tokens[this.#next]?.at ?? this.#at;
    this.#tokens.length = this.#next;
    this.#at = this.source.length;
    const text = this.source.slice(at);
    return { at: at + (text.length - text.trimStart().length), text: text.trim() };
  }
  end(): void {
    if (this.peek()) this.complain(say(tapeTexts, 'end-of-line'));
  }

  #read(): Token | undefined {
    const { source } = this;
    while (/\s/.test(source[this.#at] ?? '')) this.#at++;
    const at = this.#at;
    if (at >= source.length || itemAt(source, at) === '#') return undefined;
    if (itemAt(source, at) !== '"') {
      const word = /^[^\s"#]+/.exec(source.slice(at))![0];
      this.#at += word.length;
      return { at, word };
    }
    const quoted = /^"(?:[^"\\]|\\.)*"/.exec(source.slice(at))?.[0];
    const text = quoted === undefined ? undefined : unquote(quoted);
    if (text !== undefined) {
      this.#at += quoted!.length;
      return { at, text };
    }
    this.#at = source.length;
    return this.complainAt(at, say(tapeTexts, quoted ? 'unknown-tape-escape' : 'unclosed-tape-text'));
  }
}

/** A JSON string, decoded; `undefined` if it is none. */
function unquote(quoted: string): string | undefined {
  try {
    return JSON.parse(quoted) as string;
  } catch {
    return undefined;
  }
}
