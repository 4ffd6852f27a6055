'use client';

import type { SetDocument } from '@arbeit/engine/document';
import { useEffect, useRef, useState } from 'react';
import { addNewId, isNewId, keepId } from '../../model/new-ids.ts';
import type { EditedSet } from '../../model/use-set.ts';
import { useAtFirstUse } from '../../ui/first-use.ts';
import { later } from '../../ui/later.tsx';

const following = later(() => import('../../model/follow-label.ts'));

/**
 * The id of the field or form that a page shows. A made-up id follows the label: `follow` is called when
 * somebody has finished editing it. The page stays as it is, so nothing typed is lost; its address changes
 * once that is saved. Undo leads back to the former id.
 */
export function useOwnId(
  set: EditedSet,
  list: 'fields' | 'forms',
  first: string,
): {
  readonly id: string;
  follow(): Promise<void>;
  /** The page goes on with another id that somebody has just set. */
  rename(id: string): void;
} {
  useAtFirstUse(following);
  /** All ids it has had on this page, the newest first. */
  const [ids, setIds] = useState<readonly string[]>([first]);
  const isIn = (d: SetDocument, id: string) => (d[list] ?? []).some((one) => one.id === id);
  const id = ids.find((one) => isIn(set.document, one)) ?? ids[0]!;
  const latest = useRef(set);
  latest.current = set;
  const shown = useRef(first);
  const { is } = set.save;
  useEffect(() => {
    // A reload finds only what is saved.
    if (shown.current === id || is !== 'saved') return;
    shown.current = id;
    window.history.replaceState(null, '', `/sets/${set.key}/${list}/${id}`);
  }, [id, is, list, set.key]);
  const take = (next: string): void => setIds((all) => [next, ...all.filter((one) => one !== next)]);
  return {
    id,
    rename: take,
    async follow() {
      if (!isNewId(set.key, `${list}/${id}`)) return;
      // Without the network the id stays; the next edit of the label tries again.
      const loaded = await following.fetch().catch(() => undefined);
      const next = loaded?.withIdFromLabel(latest.current.document, `${list}/${id}`);
      if (!loaded || !next) return;
      keepId(set.key, `${list}/${id}`);
      addNewId(set.key, `${list}/${next.id}`);
      take(next.id);
      // What was changed meanwhile stays.
      await set.editAndSave((d) => {
        const now = loaded.withIdFromLabel(d, `${list}/${id}`);
        return now?.id === next.id ? now.set : d;
      });
    },
  };
}
