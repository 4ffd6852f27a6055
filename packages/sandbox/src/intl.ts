import type { QuickJSContext, QuickJSHandle } from 'quickjs-emscripten-core';

/**
 * `Intl.NumberFormat` and `toLocaleString` of numbers for pasted formatters, which rely on them in pages; the
 * engine of the sandbox has neither. Only texts go in and out, and the results depend on nothing else. Custom
 * checks and formats do not get them, because a hand-off does not use `Intl` either.
 */

/** The locale if a function names none, because the reader's locale is unknown here. */
const usualLocale = 'en-US';

/** A request: the format, its options, and the number as text. */
type Asked = readonly [
  what: 'format' | 'formatToParts' | 'resolvedOptions',
  locales: string | string[] | null,
  options: Intl.NumberFormatOptions | null,
  number: string,
  isBig: boolean,
];

/** The answer as JSON. Throws what `Intl` throws for an invalid locale or option. */
function answerTo(asked: string): string {
  const [what, locales, options, number, isBig] = JSON.parse(asked) as Asked;
  const format = new Intl.NumberFormat(locales ?? usualLocale, options ?? {});
  const value = isBig ? BigInt(number) : Number(number);
  return JSON.stringify(what === 'resolvedOptions' ? format.resolvedOptions() : format[what](value));
}

/** The code inside the world: `Intl` built on one function from text to text. */
const inside = `((bridge, parse, stringify) => {
  const ask = (what, locales, options, value) => {
    const isBig = typeof value === 'bigint';
    const number = isBig ? String(value) : Object.is(Number(value), -0) ? '-0' : String(Number(value));
    return parse(bridge(stringify([what, locales ?? null, options ?? null, number, isBig])));
  };
  // With or without new: both return a formatter.
  function NumberFormat(locales, options) {
    ask('resolvedOptions', locales, options, 0);
    return Object.assign(Object.create(NumberFormat.prototype), {
      format: (value) => ask('format', locales, options, value),
      formatToParts: (value) => ask('formatToParts', locales, options, value),
      resolvedOptions: () => ask('resolvedOptions', locales, options, 0),
    });
  }
  globalThis.Intl = { NumberFormat };
  const local = function (locales, options) {
    return ask('format', locales, options, this.valueOf());
  };
  Number.prototype.toLocaleString = local;
  BigInt.prototype.toLocaleString = local;
})`;

/** Gives a world `Intl.NumberFormat` and `toLocaleString` of numbers. */
export function giveIntl(context: QuickJSContext, evaluate: (code: string) => QuickJSHandle): void {
  const bridge = context.newFunction('bridge', (asked) => {
    try {
      return context.newString(answerTo(context.getString(asked)));
    } catch (error) {
      const { name, message } = error as Error;
      return { error: context.newError({ name, message }) };
    }
  });
  const give = evaluate(inside);
  const [parse, stringify] = [evaluate('JSON.parse'), evaluate('JSON.stringify')];
  try {
    context.unwrapResult(context.callFunction(give, context.undefined, bridge, parse, stringify)).dispose();
  } finally {
    for (const handle of [give, bridge, parse, stringify]) handle.dispose();
  }
}
