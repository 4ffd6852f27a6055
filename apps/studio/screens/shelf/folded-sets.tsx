import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { foundSets } from '../../model/other-sets.ts';
import type { ListedSet, StoredSet } from '../../store/sets.ts';
import * as words from '../../words/shelf/folded-sets.ts';
import { SetSection } from './set-section.tsx';

/** Pause in typing before the server is asked, in milliseconds. */
const calm = 200;

/** Sets fetched at a time, as in the route. */
const atATime = 50;

/** Some of the sets, in the order of the shelf. */
export interface Listed {
  readonly sets: readonly ListedSet[];
  /** Number of the first set that is not listed yet, and the count of all sets. */
  readonly next: number;
  readonly count: number;
}

/** Sets without their fields: all others, or those whose title contains `search`. A button lists more. */
export function FoldedSets({
  first,
  search,
  laidOut,
}: {
  readonly first: Listed;
  /** In lower case; '' without a search. */
  readonly search: string;
  /** Keys of the sets that are shown with their fields. */
  readonly laidOut: ReadonlySet<string>;
}) {
  const { sets, next, count, problem, isAsking, more } = useListed(first, search);
  const others = sets.filter(({ key }) => !laidOut.has(key));
  const left = count - next;
  if (others.length === 0 && left <= 0 && !problem) return null;
  return (
    <section aria-label={words.olderSets} className="mt-10">
      <h2 className="caption border-b pb-1">{search ? words.furtherSetsWithThisTitle : words.olderSets}</h2>
      {others.map((set) => (
        <FoldedSet key={set.key} folded={set} search={search} />
      ))}
      <p className="flex min-h-11 flex-wrap items-baseline gap-x-4">
        {left > 0 && (
          <button type="button" className="word-button my-2" aria-disabled={isAsking} onClick={more}>
            {words.showOfMoreSets(Math.min(atATime, left), left)}
          </button>
        )}
        <span role="status" className="text-sm text-brick">
          {problem}
        </span>
      </p>
    </section>
  );
}

/** The sets to list: those the page was rendered with, then those fetched since. */
function useListed(first: Listed, search: string) {
  const [answered, setAnswered] = useState<(Listed & { readonly search: string; readonly on: Listed }) | null>(null); // biome-ignore format: one state
  const [problem, setProblem] = useState('');
  const [isAsking, setAsking] = useState(false);
  const turn = useRef(0);
  const isAll = first.next >= first.count;
  const called = { ...first, sets: first.sets.filter(({ title }) => title.toLowerCase().includes(search)) };
  // After a refresh of the page, the list begins again.
  const isAnswered = answered?.search === search && answered.on === first;
  const listed: Listed = isAnswered ? answered : isAll || !search ? called : { ...called, next: 0, count: 0 };
  const ask = async (known: Listed): Promise<void> => {
    const own = ++turn.current;
    setAsking(true);
    const found = await foundSets(search, known.next).catch(() => undefined);
    if (own !== turn.current) return;
    setAsking(false);
    setProblem(found ? '' : words.theSetsCould);
    if (!found) return;
    const keys = new Set(known.sets.map(({ key }) => key));
    const sets = [...known.sets, ...found.sets.filter(({ key }) => !keys.has(key))];
    setAnswered({
      search,
      on: first,
      sets,
      next: known.next + Math.max(1, found.sets.length),
      count: found.count,
    });
  };
  const latest = useRef(ask);
  latest.current = ask;
  useEffect(() => {
    // Ignore the response to an earlier search.
    turn.current++;
    setAsking(false);
    setProblem('');
    if (!search || isAll) return undefined;
    const timer = setTimeout(() => void latest.current({ sets: [], next: 0, count: 0 }), calm);
    return () => clearTimeout(timer);
  }, [search, isAll]);
  return { ...listed, problem, isAsking, more: () => void (isAsking || ask(listed)) };
}

/** A set on one line; when opened, it is loaded and shown like the others. */
function FoldedSet({
  folded: { key, id, title, fields },
  search,
}: {
  readonly folded: ListedSet;
  readonly search: string;
}) {
  const router = useRouter();
  const [stored, setStored] = useState<StoredSet | null>(null);
  const [problem, setProblem] = useState('');
  const open = async () => {
    const response = await fetch(`/api/sets/${key}`).catch(() => undefined);
    if (response?.ok) setStored((await response.json()) as StoredSet);
    else setProblem(words.theSetCould);
  };
  if (stored)
    return (
      <SetSection
        stored={stored}
        search={search}
        isFirst={false}
        isNew={false}
        onGone={() => router.refresh()}
      />
    );
  return (
    <p data-set={id} className="flex flex-wrap items-baseline gap-x-4 border-b py-2">
      <span>{title}</span>
      <span className="caption">{words.fieldCount(fields)}</span>
      <span role="status" className="text-sm text-brick">
        {problem}
      </span>
      <button
        type="button"
        className="word-button ml-auto"
        aria-label={words.openWithTitle(title)}
        onClick={open}
      >
        {words.open}
      </button>
    </p>
  );
}
