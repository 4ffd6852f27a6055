'use client';

import { useMemo, useState } from 'react';
import * as words from '../../words/handoff/files.ts';
import { Code } from './code.tsx';
import { foldersOf } from './folders.ts';
import type { Made } from './made.ts';
import { inKilobytes } from './weight-words.ts';

/** All files of a hand-off: the folder as a tree, and the text of the selected file beside it. */
export function Files({ made, onTaken }: { readonly made: Made; readonly onTaken: () => void }) {
  const { files } = made;
  const [chosen, setChosen] = useState('README.md');
  const folders = useMemo(() => foldersOf(files), [files]);
  const [path, text] = files.find(([name]) => name === chosen) ?? files[0] ?? ['', ''];
  return (
    <section aria-label={words.files} className="hand-off-files">
      <div>
        <nav aria-label={words.filesOfTheHandOff}>
          {folders.map(({ folder, files: own, bytes }) => (
            <details key={folder} open={own.length < 30}>
              <summary>
                {folder || words.root}{' '}
                <span className="caption">
                  {own.length}, {inKilobytes(bytes)}
                </span>
              </summary>
              <ul>
                {own.map(({ path: one, name }) => (
                  <li key={one}>
                    <button
                      type="button"
                      className="value"
                      aria-current={one === path || undefined}
                      onClick={() => setChosen(one)}
                    >
                      {name}
                    </button>
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </nav>
      </div>
      <Code text={text} language={languageOf(path)} label={path} onCopied={onTaken} />
    </section>
  );
}

/** The language of a file, by its name. */
const languageOf = (path: string): string => (path.endsWith('.d.ts') ? 'ts' : (path.split('.').at(-1) ?? ''));
