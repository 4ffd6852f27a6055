import type { HydratedField } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { finishedText } from '../../model/sample.ts';

/** A code of the shape of a field: its finished text with random digits. */
export const codeFor = (field: HydratedField): string =>
  finishedText(field, kinds).replace(/\d/g, () => String(crypto.getRandomValues(new Uint8Array(1))[0]! % 10));
