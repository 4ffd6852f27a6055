import { most } from '../faults/limits.ts';
import type { Schema } from './schema.ts';

/** Parts of JSON Schema (2020-12) that several schemas share. */
export const text: Schema = { type: 'string', maxLength: most.characters };
export const filled: Schema = { type: 'string', maxLength: most.characters, pattern: '\\S' };

/** An object with these members and no others. */
export const shape = (properties: Schema, required: readonly string[] = [], more: Schema = {}): Schema => ({
  type: 'object',
  ...(required.length ? { required } : {}),
  additionalProperties: false,
  properties,
  ...more,
});
export const oneOrOther = (...keys: string[]): Schema => ({
  anyOf: keys.map((key) => ({ required: [key] })),
});
export const listOf = (items: Schema, more: Schema = {}): Schema => ({
  type: 'array',
  maxItems: most.items,
  items,
  ...more,
});
