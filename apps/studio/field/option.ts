import type { Offer } from '@arbeit/engine/options';

/**
 * An entry option as the desk edits it. `key` is its name in the entry; `decimals.max` is a member of a
 * member.
 */
export type Option = { readonly key: string; readonly label: string; /** One more sentence about its effect. */ readonly about?: string | undefined } & (
  | { readonly is: 'choice'; readonly choices: readonly (readonly [value: unknown, label: string])[]; readonly usual: unknown }
  | { readonly is: 'number'; readonly min: number; readonly max: number; readonly usual: number | undefined }
  | { readonly is: 'several'; readonly offers: readonly (readonly [value: string, label: string])[]; readonly any: string; readonly first: string; readonly usual: unknown }
  | { readonly is: 'picks'; readonly least: number; readonly usual?: undefined; check(offers: readonly Offer[]): string | null }
  /** A program, edited and tried as one. */
  | { readonly is: 'code'; readonly usual?: undefined; check(code: string): string | null }
  | { readonly is: 'text'; readonly usual: string; readonly suggestions?: readonly string[]; check(text: string): string | null }
); // biome-ignore format: one kind of option a line
