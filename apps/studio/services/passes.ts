import type { Answer } from '@arbeit/engine/field';

/** A hut pass, its last valid day, and what it grants. */
interface Pass {
  readonly until: string;
  readonly grants: string;
}

const passes: Readonly<Record<string, Pass>> = {
  'AB-1234/FF': { until: '2027-12-31', grants: 'a bunk at half price' },
  'RH-4477/0C': { until: '2027-06-30', grants: 'a bunk and the evening soup' },
  'RH-0042/AB': { until: '2026-09-30', grants: 'a bunk at half price' },
};

/**
 * The registry's answer for a hut pass on a day (ISO 8601): valid with what it grants, expired, or unknown.
 */
export function lookUp(number: string, today: string): Answer {
  const pass = Object.hasOwn(passes, number) ? passes[number] : undefined;
  if (!pass) return { verdict: 'fail', code: 'unknown-pass', data: {} };
  if (pass.until < today) return { verdict: 'fail', code: 'expired-pass', data: { until: pass.until } };
  return { verdict: 'pass', facts: { grants: pass.grants, until: pass.until } };
}
