/**
 * Decimal numbers as texts (`-1234.50`), exact to any length: no floating point anywhere. Canonical is: a minus
 * where negative, no zeros in front but the one before the point, a digit on each side of the point.
 */

const form = /^(-?)(\d*)(?:\.(\d*))?$/;

/** The canonical text of digits as typed (`007`, `.5`, `-3.`), `undefined` where there is no digit or something else. */
export function canonical(text: string): string | undefined {
  const match = form.exec(text);
  if (!match || !(match[2] || match[3])) return undefined;
  const whole = match[2]!.replace(/^0+(?=\d)/, '') || '0';
  return match[1] + whole + (match[3] ? `.${match[3]}` : '');
}

/** Digits behind the point. */
export const places = (text: string): number =>
  text.includes('.') ? text.length - text.indexOf('.') - 1 : 0;

/** The number in units of its `scale`-th decimal. Needs a canonical text with no more places than that. */
function scaled(text: string, scale: number): bigint {
  const [whole = '', fraction = ''] = text.split('.');
  return BigInt(whole + fraction.padEnd(scale, '0'));
}

/** Below 0, 0, or above 0 as `a` is below, the same as, or above `b`. */
export function compare(a: string, b: string): number {
  const scale = Math.max(places(a), places(b));
  const difference = scaled(a, scale) - scaled(b, scale);
  return difference < 0n ? -1 : difference > 0n ? 1 : 0;
}

export function add(a: string, b: string): string {
  const scale = Math.max(places(a), places(b));
  return written(scaled(a, scale) + scaled(b, scale), scale);
}

/** Whether `a` is a whole number of times `step` away from zero. */
export function isMultiple(a: string, step: string): boolean {
  const scale = Math.max(places(a), places(step));
  const unit = scaled(step, scale);
  return unit === 0n || scaled(a, scale) % unit === 0n;
}

function written(units: bigint, scale: number): string {
  const digits = `${units < 0n ? -units : units}`.padStart(scale + 1, '0');
  const at = digits.length - scale;
  return (units < 0n ? '-' : '') + digits.slice(0, at) + (scale ? `.${digits.slice(at)}` : '');
}
