import { deferred } from '../../ui/later.tsx';

/** Edits the options of a piece; loaded on the first interaction with the page. */
export const OptionEditors = deferred(() =>
  import('./option-editors.tsx').then((options) => options.OptionEditors),
);
