/** Letters as two-digit numbers (A=10 … Z=35), as ISO 6166 and ISO 7064 have it. */

const expand = (text: string): string | undefined => {
  let digits = '';
  for (const c of text.toUpperCase()) {
    if (c >= '0' && c <= '9') digits += c;
    else if (c >= 'A' && c <= 'Z') digits += c.charCodeAt(0) - 55;
    else if (!/[\s\p{P}]/u.test(c)) return undefined;
  }
  return digits;
};

/**
 * Luhn's mod 10 (ISO/IEC 7812-1, annex B): from the right, every second digit is doubled, then all digits are
 * added.
 */
export function luhn(text: string): boolean {
  const digits = expand(text);
  if (!digits) return false;
  let sum = 0;
  for (let i = digits.length - 1, twice = false; i >= 0; i--, twice = !twice) {
    const d = +digits[i]! * (twice ? 2 : 1);
    sum += d > 9 ? d - 9 : d;
  }
  return sum % 10 === 0;
}

/** ISO 7064, MOD 97-10: the number modulo 97 is 1. */
export function mod97(text: string): boolean {
  const digits = expand(text);
  if (!digits) return false;
  let rest = 0;
  for (const d of digits) rest = (rest * 10 + +d) % 97;
  return rest === 1;
}

/** ISO 7064, MOD 11-2: the last character is the check character; `X` is ten. */
export function mod11(text: string): boolean {
  const body = text.replace(/[\s\p{P}]/gu, '');
  const digits = expand(body.slice(0, -1));
  const check = body.slice(-1).toUpperCase();
  if (!digits || !/^[0-9X]$/.test(check)) return false;
  let sum = 0;
  for (const d of digits) sum = ((sum + +d) * 2) % 11;
  return (sum + (check === 'X' ? 10 : +check)) % 11 === 1;
}

/** The text without separators, with its first characters moved to the end, as for an IBAN (ISO 13616). */
export function rotated(text: string, by: number): string {
  const characters = [...text.replace(/[\s\p{P}]/gu, '')];
  return [...characters.slice(by), ...characters.slice(0, by)].join('');
}

/**
 * Check digit schemes by name. Each returns whether a text has the right check characters; separators are
 * ignored.
 *
 * @example
 * schemes.luhn('4929 1234 5678 1234');
 */
export const schemes = { luhn, mod97, mod11 } as const;
