'use client';

import { localToday } from '@arbeit/dom';
import type { SetDocument } from '@arbeit/engine/document';
import { useRouter } from 'next/navigation';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { changedWords } from '../../model/changed-words.ts';
import { todayIn } from '../../model/clock.ts';
import { problemIn } from '../../model/other-sets.ts';
import { sessionsOf } from '../../model/sessions.ts';
import { useSet } from '../../model/use-set.ts';
import type { Revision } from '../../store/revisions.ts';
import type { StoredSet } from '../../store/sets.ts';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { later, useLater } from '../../ui/later.tsx';
import { useUndoKeys } from '../../ui/undo-keys.ts';
import { WordInPlace } from '../../ui/word-in-place.tsx';
import { Masthead } from '../set/masthead.tsx';
import { NewFieldCommand } from '../set/new-field-command.tsx';
import { SaveLine } from '../set/save-line.tsx';
import { useComparing } from '../set/use-comparing.ts';
import { ComparedSides, titleOf } from './compared.tsx';
import { documentOf, type Side } from './sides.ts';
import './revisions.css';
import * as words from '../../words/revisions/revisions-sheet.ts';

const lookedAt = later(() => import('./looked-at.tsx'));

const day = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { dateStyle: 'full', timeZone: 'UTC' });
const time = (iso: string): string =>
  new Date(iso).toLocaleTimeString('en-GB', { timeStyle: 'short', timeZone: 'UTC' });

/** The day and the times of a session. */
const sessionTitle = ({ from, to }: { readonly from: string; readonly to: string }): string =>
  time(from) === time(to) ? day(to) : words.dayAndTimes(day(to), time(from), time(to));

const now: Side = { of: 'now', field: '' };

/** The revisions of a set: to be named, viewed, restored, and compared by behaviour. */
export function RevisionsSheet({
  stored,
  revisions,
  dropped,
}: {
  readonly stored: StoredSet;
  readonly revisions: readonly Revision[];
  /** How many older ones were deleted because there were too many. */
  readonly dropped: number;
}) {
  const router = useRouter();
  const set = useSet(stored);
  useUndoKeys(set.undo, set.redo);
  const today = todayIn(set.id) ?? localToday();
  const comparing = useComparing(today);
  const [earlier] = revisions.filter(({ revision }) => revision < stored.revision);
  const [sides, setSides] = useState<readonly [Side, Side]>([
    { of: earlier ? `revision ${earlier.revision}` : 'now', field: '' },
    now,
  ]);
  const [said, setSaid] = useState('');
  const [looking, setLooking] = useState<{ readonly one: Revision; readonly document: SetDocument }>();
  const { it: look, want } = useLater(lookedAt);
  const fetched = async (one: Revision): Promise<SetDocument | undefined> => {
    try {
      return await documentOf(`revision ${one.revision}`, set.key, set.document);
    } catch (error) {
      setSaid((error as Error).message);
      return undefined;
    }
  };
  const lookAt = async (one: Revision): Promise<void> => {
    if (looking?.one.revision === one.revision) return setLooking(undefined);
    want();
    const document = await fetched(one);
    if (document) setLooking({ one, document });
  };
  const bringBack = async (one: Revision): Promise<void> => {
    const document = await fetched(one);
    if (!document) return;
    await set.editAndSave(() => document);
    router.refresh();
    setSaid(words.wasRestored(titleOf(one)));
  };
  return (
    <>
      <Masthead
        setKey={set.key}
        trail={[{ label: set.document.title, href: '/' }, { label: words.revisions }]}
      >
        <NewFieldCommand set={set} />
        <SaveLine set={set} />
      </Masthead>
      <main className="desk">
        <h1 className="sr-only">{words.revisionsOf(set.document.title)}</h1>
        <div className="revisions-page">
          <section aria-label={words.revisions}>
            <div className="flex flex-wrap items-baseline gap-x-5 border-b border-ink pb-1">
              <h2 className="font-semibold">{words.revisions}</h2>
              <span role="status" className="text-faint">
                {said || words.revisionsNewestFirst(revisions.length, dropped)}
              </span>
            </div>
            {sessionsOf(revisions).map((session) => (
              <section key={session.from} aria-label={sessionTitle(session)}>
                <h3 className="revision-session">{sessionTitle(session)}</h3>
                <ol>
                  {session.revisions.map((one) => (
                    <RevisionRow
                      key={one.revision}
                      setKey={set.key}
                      one={one}
                      isPresent={one.revision === stored.revision}
                      isLookedAt={looking?.one.revision === one.revision}
                      isCompared={sides[0].of === `revision ${one.revision}`}
                      onLook={() => void lookAt(one)}
                      onCompare={() => setSides([{ of: `revision ${one.revision}`, field: '' }, now])}
                      onBack={() => void bringBack(one)}
                      onProblem={setSaid}
                    >
                      {look && looking?.one.revision === one.revision && (
                        <look.LookedAt document={looking.document} title={titleOf(one)} today={today} />
                      )}
                    </RevisionRow>
                  ))}
                </ol>
              </section>
            ))}
          </section>
          <ComparedSides
            setKey={set.key}
            document={set.document}
            revisions={revisions}
            sides={sides}
            comparing={comparing}
            onSides={setSides}
          />
        </div>
      </main>
      <HydrationMarker />
    </>
  );
}

/** Pause in typing before a name is saved, in milliseconds. */
const calm = 500;

/** Saves a name after a pause in typing, or immediately when the page is left. */
function useSaidLater(send: (text: string) => Promise<void>): (text: string) => void {
  const latest = useRef(send);
  latest.current = send;
  const waiting = useRef<{ readonly text: string; readonly timer: ReturnType<typeof setTimeout> }>(undefined);
  useEffect(() => {
    const now = (): void => {
      if (!waiting.current) return;
      clearTimeout(waiting.current.timer);
      void latest.current(waiting.current.text);
      waiting.current = undefined;
    };
    window.addEventListener('pagehide', now);
    return () => {
      window.removeEventListener('pagehide', now);
      now();
    };
  }, []);
  return (text) => {
    clearTimeout(waiting.current?.timer);
    const timer = setTimeout(() => {
      waiting.current = undefined;
      void latest.current(text);
    }, calm);
    waiting.current = { text, timer };
  };
}

function RevisionRow({
  setKey,
  one,
  isPresent,
  isLookedAt,
  isCompared,
  onLook,
  onCompare,
  onBack,
  onProblem,
  children,
}: {
  readonly setKey: string;
  readonly one: Revision;
  readonly isPresent: boolean;
  readonly isLookedAt: boolean;
  /** Whether the comparison beside the list begins with it. */
  readonly isCompared: boolean;
  readonly onLook: () => void;
  readonly onCompare: () => void;
  readonly onBack: () => void;
  readonly onProblem: (problem: string) => void;
  readonly children: ReactNode;
}) {
  const [name, setName] = useState(one.name ?? '');
  const send = async (text: string): Promise<void> => {
    const response = await fetch(`/api/sets/${setKey}/revisions/${one.revision}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: text.trim() || null }),
      keepalive: true,
    }).catch(() => undefined);
    onProblem(await problemIn(response));
  };
  const sayLater = useSaidLater(send);
  const title = titleOf({ ...one, name: name.trim() || null });
  const changes = changedWords(one.changed);
  return (
    <li className="revision" data-compared={isCompared || undefined}>
      <div className="revision-line">
        <span className="value text-faint">{time(one.savedAt)}</span>
        <div className="min-w-0">
          <WordInPlace
            label={words.nameOfRevision(one.revision)}
            value={name}
            missing={words.addName}
            className="font-semibold"
            onChange={(text) => {
              setName(text);
              sayLater(text);
            }}
          />
          <button type="button" className="revision-changes" aria-pressed={isCompared} onClick={onCompare}>
            {changes.length === 0
              ? words.revisionNumber(one.revision)
              : changes.map(({ heading, list }) => (
                  <span key={heading}>
                    <b>{heading}</b> {list}
                  </span>
                ))}
            <span className="sr-only"> {words.compareWithCurrentWithTitle(title)}</span>
          </button>
        </div>
        <span className="flex flex-wrap justify-end gap-x-4">
          {isPresent && <span className="caption">{words.current}</span>}
          <button
            type="button"
            className="word-button"
            aria-expanded={isLookedAt}
            aria-label={words.closePreview(isLookedAt, title)}
            onClick={onLook}
          >
            {isLookedAt ? words.close : words.preview}
          </button>
          {!isPresent && (
            <button
              type="button"
              className="word-button"
              aria-label={words.restoreWithTitle(title)}
              onClick={onBack}
            >
              {words.restore}
            </button>
          )}
        </span>
      </div>
      {children}
    </li>
  );
}
