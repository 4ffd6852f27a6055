'use client';

import { useEffect, useState } from 'react';
import * as words from '../../words/desk/once-done.ts';

const key = 'arbeit.defined';

/** A hint on how to use the specimen, until the user has done it once. Its space stays reserved. */
export function OnceDone({ isDone }: { readonly isDone: boolean }) {
  const [isKnown, setKnown] = useState(true);
  useEffect(() => {
    try {
      if (isDone) localStorage.setItem(key, 'yes');
      setKnown(localStorage.getItem(key) !== null);
    } catch {
      setKnown(isDone);
    }
  }, [isDone]);
  return <p className="on-screen min-h-5 text-sm text-faint">{isKnown ? '' : words.clickAPartAbove}</p>;
}
