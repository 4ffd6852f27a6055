import { useState } from 'react';
import * as words from '../words/ui/copy-text.ts';

/** Copies a text to the clipboard. Resolves to whether the browser did it, in words. */
export const copyText = (text: string | Promise<string>): Promise<string> =>
  Promise.resolve(text)
    .then((own) => navigator.clipboard.writeText(own))
    .then(
      () => words.copied,
      () => words.theBrowserBlockedCopying,
    );

/** Copies a text, and says whether it was copied until there is another text. */
export function useCopy(
  text: string,
  onCopied: () => void = () => {},
): { readonly said: string; copy(): Promise<void> } {
  const [done, setDone] = useState<{ readonly text: string; readonly said: string }>();
  return {
    said: done?.text === text ? done.said : '',
    async copy() {
      const said = await copyText(text);
      setDone({ text, said });
      if (said === words.copied) onCopied();
    },
  };
}
