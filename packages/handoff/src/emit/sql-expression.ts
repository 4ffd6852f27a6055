/** The most repetitions that PostgreSQL counts. */
const mostCounted = 255;

/**
 * A regular expression (ECMAScript, flag `u`) as PostgreSQL reads it (POSIX, advanced); `undefined` if it has
 * parts that mean something else there: classes of Unicode and of white space, the full stop, references,
 * looking behind, more than 255 repetitions. Digits are written out, because `\d` depends on the locale of
 * the database.
 */
export function sqlExpression(source: string): string | undefined {
  let out = '';
  let isInClass = false;
  for (let i = 0; i < source.length; i++) {
    const c = source.charAt(i);
    const next = source.charAt(i + 1);
    if (c === '\\') {
      if (next === 'd') out += isInClass ? '0-9' : '[0-9]';
      else if (/[A-Za-z0-9]/.test(next)) return undefined;
      else out += `\\${next}`;
      i++;
    } else if (isInClass) {
      // A bracket begins a class of POSIX there.
      if (c === '[') return undefined;
      isInClass = c !== ']';
      out += c;
    } else if (c === '[') {
      isInClass = true;
      // PostgreSQL has no empty class and no class of all characters.
      if (next === ']' || source.startsWith('^]', i + 1)) return undefined;
      out += c;
    } else if (c === '.' || source.startsWith('(?<', i)) return undefined;
    else if (c === '{') {
      const counts = /^\{(\d+)(?:,(\d*))?\}/.exec(source.slice(i));
      if (!counts || Number(counts[1]) > mostCounted || Number(counts[2] || 0) > mostCounted)
        return undefined;
      out += counts[0];
      i += counts[0].length - 1;
    } else out += c;
  }
  return out;
}
