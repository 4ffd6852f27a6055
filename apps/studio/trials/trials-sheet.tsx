'use client';

import { useSet } from '../definition/use-set.ts';
import { Alive } from '../sheet/alive.tsx';
import { Masthead } from '../sheet/masthead.tsx';
import { SaveLine } from '../sheet/save-line.tsx';
import { useUndoKeys } from '../sheet/undo-keys.ts';
import type { StoredSet } from '../store/sets.ts';
import { AuditSection } from './audit.tsx';
import { Breaks } from './breaks.tsx';
import { BringFunction } from './bring-function.tsx';
import { Reached } from './reached.tsx';
import { TrialList } from './trial-list.tsx';
import { useAudit } from './use-audit.ts';
import { useBreaking, useReach, useRunning } from './use-trials.ts';
import './trials.css';

/** All trials of a set, run as they change; what they would not catch if it were broken; and what they reach. */
export function TrialsSheet({ stored }: { readonly stored: StoredSet }) {
  const set = useSet(stored);
  useUndoKeys(set.undo, set.redo);
  const running = useRunning(set.id, set.document);
  const breaking = useBreaking(set.id, set.document, running.today);
  const auditing = useAudit(set.id, set.document, running.today);
  const reach = useReach(set.document, running.today);
  return (
    <>
      <Masthead setKey={set.key} trail={[{ label: set.document.title, href: '/' }, { label: 'Trials' }]}>
        <SaveLine set={set} />
      </Masthead>
      <main className="desk">
        <h1 className="sr-only">Trials of {set.document.title}</h1>
        <TrialList set={set} running={running} />
        <Breaks set={set} breaking={breaking} />
        <AuditSection set={set} auditing={auditing} />
        <Reached document={set.document} reach={reach} />
        <BringFunction set={set} />
      </main>
      <Alive />
    </>
  );
}
