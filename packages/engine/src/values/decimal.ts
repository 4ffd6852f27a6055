import { made } from './made.ts';
/**
 * Decimal numbers as texts (`-1234.50`), exact at any length, without floating point. The canonical form has
 * a minus if negative, no leading zeros except the one before the point, and a digit on each side of the
 * point.
 */

/**
 * The canonical text of digits as typed (`007`, `.5`, `-3.`); empty if there is no digit or something else.
 */
export function canonical(text: string): string {
  const match = /^(-?)(\d*)(?:\.(\d*))?$/.exec(text);
  if (!match || !(match[2] || match[3])) return '';
  return match[1] + (match[2]!.replace(/^0+(?=\d)/, '') || '0') + (match[3] ? `.${match[3]}` : '');
}

/** Number of digits after the point. */
export const places = (text: string): number =>
  text.includes('.') ? text.length - text.indexOf('.') - 1 : 0;

/** The number in units of its `scale`-th decimal. Needs a canonical text with at most that many decimals. */
function scaled(text: string, scale: number): bigint {
  const [whole = '', fraction = ''] = text.split('.');
  return BigInt(whole + fraction.padEnd(scale, '0'));
}

/** Negative, 0 or positive as `a` is below, equal to, or above `b`. Both canonical. */
export function compare(a: string, b: string): number {
  const isBelow = a[0] === '-';
  if (isBelow !== (b[0] === '-')) return isZero(a) && isZero(b) ? 0 : isBelow ? -1 : 1;
  return isBelow ? size(b.slice(1), a.slice(1)) : size(a, b);
}

const isZero = (text: string): boolean => !/[1-9]/.test(text);

/**
 * Compares two texts without sign: by the number of integer digits, then digit by digit; missing digits are
 * zeros.
 */
function size(a: string, b: string): number {
  const x = wholes(a);
  const y = wholes(b);
  if (x !== y) return x - y;
  const length = Math.max(a.length, b.length);
  for (let i = 0; i < length; i++) {
    // The point is at the same place in both, or is the end of one.
    const c = digitAt(a, i);
    const d = digitAt(b, i);
    if (c !== d) return c - d;
  }
  return 0;
}

/** The digit at an offset; anything else counts as zero. */
const digitAt = (text: string, i: number): number =>
  i < text.length ? Math.max(48, text.charCodeAt(i)) : 48;

const wholes = (text: string): number => (text.indexOf('.') + 1 || text.length + 1) - 1;

export function add(a: string, b: string): string {
  const scale = Math.max(places(a), places(b));
  return written(scaled(a, scale) + scaled(b, scale), scale);
}

/** Whether a multiple of `step` lies between the two numbers, which have the same sign. */
export function hasMultiple(from: string, to: string, step: string): boolean {
  const scale = Math.max(places(from), places(to), places(step));
  const unit = scaled(step, scale);
  const a = scaled(from, scale);
  const b = scaled(to, scale);
  const [low, high] = a < b ? [a, b] : [b, a];
  return unit === 0n || high / unit > (low - 1n) / unit || low % unit === 0n;
}

/** Whether `a` is a multiple of `step`. */
export function isMultiple(a: string, step: string): boolean {
  const behind = places(step);
  const scale = Math.max(places(a), behind);
  // The usual step is one in the last decimal, and every number with that many decimals fits: this saves a
  // third of a key's time in fields with limits.
  if (scale === behind && step === last[behind]) return true;
  // Numbers of up to fifteen digits are exact without BigInt, which would take most of the time of a key in
  // fields with a step.
  if (a.length + scale <= exact && step.length + scale <= exact) {
    const unit = units(step, scale);
    return unit === 0 || units(a, scale) % unit === 0;
  }
  const unit = scaled(step, scale);
  return unit === 0n || scaled(a, scale) % unit === 0n;
}

const exact = 15;
/** One unit of the n-th decimal: `1`, `0.1`, `0.01`. */
const last = /*#__PURE__*/ made(() =>
  Array.from({ length: exact + 1 }, (_, i) => (i ? `0.${'1'.padStart(i, '0')}` : '1')),
);
const powers = /*#__PURE__*/ made(() => Array.from({ length: exact + 1 }, (_, i) => 10 ** i));

/**
 * The same as `scaled` for numbers short enough to be exact. Digit by digit, because slicing texts is slower.
 */
function units(text: string, scale: number): number {
  let sum = 0;
  let behind = -1;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit === 46) behind = 0;
    else if (unit !== 45) {
      sum = sum * 10 + unit - 48;
      if (behind >= 0) behind++;
    }
  }
  sum *= powers[scale - Math.max(0, behind)]!;
  return text.charCodeAt(0) === 45 ? -sum : sum;
}

function written(units: bigint, scale: number): string {
  const digits = `${units < 0n ? -units : units}`.padStart(scale + 1, '0');
  const at = digits.length - scale;
  return (units < 0n ? '-' : '') + digits.slice(0, at) + (scale ? `.${digits.slice(at)}` : '');
}
