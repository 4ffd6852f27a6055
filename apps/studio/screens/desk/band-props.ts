import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { Field } from '@arbeit/react';
import type { Change } from './change.ts';

/** Properties of the definition band and of its two forms. */
export interface BandProps<F extends FieldDocument = FieldDocument> {
  readonly definition: F;
  readonly field: Field;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  /** The name under which a faulty pattern is stored in the browser. */
  readonly name: string;
  readonly onChange: Change;
}
