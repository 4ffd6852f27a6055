import type { Finding } from './finding.ts';
import type { Rule } from './rule.ts';

/**
 * The message of a finding: the rule's own text or the text of the code, with `{name}` replaced by the
 * finding's data and `{label}` by the field's label. A rule's own text is not used if nobody answered or a
 * check is broken. A name without data stays as it is.
 */
export function message(
  label: string,
  { say, words }: Pick<Rule, 'say' | 'words'>,
  finding: Finding,
): string {
  const { code, data } = finding;
  const own = code === 'unreachable' || code === 'check-broken' || code === 'shape-broken' ? undefined : say;
  // Custom code and servers return codes of their own, which have no default message.
  const template = own ?? words?.[code] ?? words?.['no-match'] ?? words?.['not-allowed'] ?? code;
  if (!template.includes('{')) return template;
  return template.replace(
    /\{([\w-]+)\}/g,
    (whole, name: string) => data[name] ?? (name === 'label' ? label : whole),
  );
}
