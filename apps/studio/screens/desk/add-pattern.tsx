'use client';

import * as words from '../../words/desk/add-pattern.ts';

/** Most patterns of a field (engine, kind `pattern`). */
const most = 100;

/** Adds a pattern behind the others, and goes to it. */
export const AddPattern = ({ count, onAdd }: { readonly count: number; readonly onAdd: () => void }) => (
  <button type="button" className="word-button text-sm" disabled={count >= most} onClick={onAdd}>
    {words.addAnotherPattern}
  </button>
);
