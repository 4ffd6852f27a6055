'use client';

import { useState } from 'react';

/**
 * Code while it is written: what cannot be saved stays here. Changed elsewhere, by undo, what stands here is
 * that.
 */
export function useCodeDraft(code: string): readonly [draft: string, setDraft: (code: string) => void] {
  const [draft, setDraft] = useState(code);
  const [seen, setSeen] = useState(code);
  if (seen !== code) {
    setSeen(code);
    setDraft(code);
  }
  return [draft, setDraft];
}
