'use client';

import type { KindTable } from '@arbeit/engine/kinds';
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';

/** The kinds of a page: all on the shelf, one on a desk. */
const AtHand = createContext<KindTable>({});
/** Fetches a kind that the page does not carry. */
const Fetching = createContext<(kind: string) => void>(() => undefined);

/** Gives a page its kinds. `fetch` loads one more, for a field that changes its kind. */
export function KindsProvider({
  value,
  fetch,
  children,
}: {
  readonly value: KindTable;
  readonly fetch?: (kind: string) => Promise<KindTable>;
  readonly children: ReactNode;
}) {
  const [more, setMore] = useState<KindTable>({});
  const all = useMemo(() => ({ ...more, ...value }), [more, value]);
  const bring = useMemo(
    () => (kind: string) => {
      // A kind that failed to load is loaded again at the next change.
      fetch?.(kind).then(
        // Each row of a shelf asks for its kind; the first answer is enough.
        (brought) => setMore((had) => (Object.hasOwn(had, kind) ? had : { ...had, ...brought })),
        () => undefined,
      );
    },
    [fetch],
  );
  return (
    <AtHand value={all}>
      <Fetching value={bring}>{children}</Fetching>
    </AtHand>
  );
}

export const useKinds = (): KindTable => useContext(AtHand);

/** Whether a kind is loaded. If not, it is fetched. */
export function useKind(kind: string): boolean {
  const isHere = Object.hasOwn(useKinds(), kind);
  const bring = useContext(Fetching);
  useEffect(() => {
    if (!isHere) bring(kind);
  }, [isHere, bring, kind]);
  return isHere;
}
