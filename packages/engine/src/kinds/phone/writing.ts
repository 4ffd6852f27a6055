import type { PhoneFormat } from '../../plans/region-plan.ts';

/** A format, ready to run: the fixed text before each digit. */
export interface Writings {
  /** The national format with its trunk prefix, and without. */
  readonly national: readonly string[];
  readonly bare: readonly string[];
  readonly international: readonly string[];
  readonly hasTrunk: boolean;
}

const ready = new WeakMap<PhoneFormat, Writings>();

export function writingsOf(format: PhoneFormat): Writings {
  let found = ready.get(format);
  if (!found) {
    const { national, international } = format;
    // Without the trunk prefix, the space after it is left out too.
    const bare = national.replace(/\d+ ?/g, '');
    found = {
      national: fixedIn(national),
      bare: fixedIn(bare),
      international: fixedIn(international),
      hasTrunk: /\d/.test(national),
    };
    ready.set(format, found);
  }
  return found;
}

function fixedIn(template: string): string[] {
  const before: string[] = [];
  let fixed = '';
  for (const c of template) {
    if (c === '#' || (c >= '0' && c <= '9')) {
      before.push(fixed);
      fixed = '';
    } else fixed += c;
  }
  return before;
}

/** Lays digits out in a format; fixed text comes with the digit after it. Extra digits follow at the end. */
export function written(before: readonly string[], digits: string): string {
  let text = '';
  for (let i = 0; i < digits.length; i++) {
    const fixed = before[i];
    if (fixed) text += fixed;
    text += digits[i];
  }
  return text;
}
