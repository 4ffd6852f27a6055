import type { AllKinds, KindName } from '../kinds/registry.ts';
import type { EntryOf } from '../options/option.ts';

/** The entry options of each kind of this package. */
type BuiltInEntries = { readonly [K in KindName]: EntryOf<AllKinds[K]['define']['options']> };

/**
 * The entry options of each kind. A kind that does not come with this package is added by declaration
 * merging, so that documents with it need no cast.
 */
export interface Entries extends BuiltInEntries {}
