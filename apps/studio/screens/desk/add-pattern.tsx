'use client';

/** Most patterns of a field (engine, kind `pattern`). */
const most = 100;

/** Adds a pattern behind the others, and goes to it. */
export const AddPattern = ({ count, onAdd }: { readonly count: number; readonly onAdd: () => void }) => (
  <button type="button" className="word-button text-sm" disabled={count >= most} onClick={onAdd}>
    Add another pattern
  </button>
);
