'use client';

import { useState } from 'react';

/**
 * Code while it is written: what cannot be saved stays here. A change from elsewhere, such as undo, replaces
 * it.
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
