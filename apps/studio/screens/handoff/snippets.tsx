'use client';

import { useEffect, useRef, useState } from 'react';
import { Choices } from '../../ui/choices.tsx';
import * as words from '../../words/handoff/snippets.ts';
import { Code } from './code.tsx';
import type { Made } from './made.ts';

const titles: Readonly<Record<string, string>> = {
  element: words.customElements,
  dom: words.plainJavascript,
  react: words.react,
  native: words.reactNative,
  vue: words.vue,
  svelte: words.svelte,
  next: words.next,
  angular: words.angular,
  page: words.nodeServer,
  server: words.server,
};

/** What is chosen between: applications by name, other uses by theirs. */
const keyOf = ({ use, app }: Made['snippets'][number]): string => app ?? use;

/** What runs on a server, which the preview does not have. */
const onServer: readonly string[] = ['server'];

/** Applications that are built by their own tools. */
const ownTools: readonly string[] = ['native', 'next', 'angular', 'page'];

/** The code of a use, and beside it the running result. */
export function Snippets({
  setKey,
  made,
  onTaken,
}: {
  readonly setKey: string;
  readonly made: Made;
  readonly onTaken: () => void;
}) {
  const { snippets } = made;
  const [use, setUse] = useState('element');
  const shown = snippets.find((one) => keyOf(one) === use) ?? snippets[0];
  if (!shown) return null;
  const choices = Object.fromEntries(snippets.map((one) => [keyOf(one), titles[keyOf(one)] ?? one.use]));
  return (
    <section aria-label={words.howItIsUsed} className="hand-off-snippet">
      <Choices label={words.framework} value={keyOf(shown)} choices={choices} onChange={setUse} />
      <div>
        <div className="hand-off-own">
          {snippets
            .filter((one) => keyOf(one) === keyOf(shown))
            .map(({ title, code, language }) => (
              <Code key={title} text={code} language={language} label={title} onCopied={onTaken} />
            ))}
        </div>
        {onServer.includes(keyOf(shown)) ? (
          <p className="caption">{words.noPreview}</p>
        ) : ownTools.includes(keyOf(shown)) ? (
          <p className="caption">{words.noPreviewOfApplication}</p>
        ) : (
          <Live
            key={`${shown.use} ${shown.of.id}`}
            setKey={setKey}
            use={shown.use}
            of={shown.of}
            title={shown.title}
          />
        )}
      </div>
    </section>
  );
}

/** The running snippet, in a sandboxed frame. */
function Live({
  setKey,
  use,
  of,
  title,
}: { readonly setKey: string; readonly title: string } & Pick<Made['snippets'][number], 'use' | 'of'>) {
  const [state, setState] = useState<'building' | 'live' | 'failed'>('building');
  const [tries, setTries] = useState(0);
  const frame = useRef<HTMLIFrameElement>(null);
  const [sheet, setSheet] = useState<string>();
  useEffect(() => {
    const root = document.documentElement;
    const look = () => setSheet(root.dataset.sheet === 'dark' ? 'dark' : 'light');
    look();
    const watch = new MutationObserver(look);
    watch.observe(root, { attributes: true, attributeFilter: ['data-sheet'] });
    return () => watch.disconnect();
  }, []);
  // The page reports itself when its script has run: an error page of the server would also load.
  useEffect(() => {
    const hear = ({ source, data }: MessageEvent) => {
      if (data === 'live' && source === frame.current?.contentWindow) setState('live');
    };
    addEventListener('message', hear);
    return () => removeEventListener('message', hear);
  }, []);
  return (
    <div className="hand-off-live">
      <p className="caption" role="status">
        {state === 'failed' ? words.previewFailed : state === 'live' ? words.livePreview : words.building}
      </p>
      {state === 'failed' && (
        <button
          type="button"
          className="word-button"
          onClick={() => {
            setState('building');
            setTries(tries + 1);
          }}
        >
          {words.tryAgain}
        </button>
      )}
      {sheet && state !== 'failed' && (
        <iframe
          key={`${tries}`}
          ref={frame}
          title={words.atWork(title)}
          src={`/sets/${encodeURIComponent(setKey)}/hand-off/live?${new URLSearchParams({ use, sheet, [of.type]: of.id })}`}
          sandbox="allow-scripts allow-forms"
          onLoad={() => setState((now) => (now === 'live' ? now : 'failed'))}
        />
      )}
    </div>
  );
}
