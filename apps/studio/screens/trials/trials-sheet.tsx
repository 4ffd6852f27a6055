'use client';

import { useSet } from '../../model/use-set.ts';
import type { StoredSet } from '../../store/sets.ts';
import { HydrationMarker } from '../../ui/hydration-marker.tsx';
import { useUndoKeys } from '../../ui/undo-keys.ts';
import { Masthead } from '../set/masthead.tsx';
import { NewFieldCommand } from '../set/new-field-command.tsx';
import { SaveLine } from '../set/save-line.tsx';
import { AuditSection } from './audit.tsx';
import { BringFunction } from './bring-function.tsx';
import { MutationTests } from './mutation-tests.tsx';
import { Reached } from './reached.tsx';
import { TrialList } from './trial-list.tsx';
import { useAudit } from './use-audit.ts';
import { useMutationRun, useReach, useRunning } from './use-trials.ts';
import './trials.css';
import * as words from '../../words/trials/trials-sheet.ts';

/** All trials of a set, run as they change; the mutants they would not catch; and what they cover. */
export function TrialsSheet({ stored }: { readonly stored: StoredSet }) {
  const set = useSet(stored);
  useUndoKeys(set.undo, set.redo);
  const running = useRunning(set.id, set.document);
  const breaking = useMutationRun(set.id, set.document, running.today);
  const auditing = useAudit(set.id, set.document, running.today);
  const reach = useReach(set.document, running.today);
  return (
    <>
      <Masthead setKey={set.key} trail={[{ label: set.document.title, href: '/' }, { label: words.trials }]}>
        <NewFieldCommand set={set} />
        <SaveLine set={set} />
      </Masthead>
      <main className="desk">
        <h1 className="sr-only">{words.trialsOf(set.document.title)}</h1>
        <TrialList set={set} running={running} />
        <MutationTests set={set} breaking={breaking} />
        <AuditSection set={set} auditing={auditing} />
        <Reached document={set.document} reach={reach} />
        <BringFunction set={set} />
      </main>
      <HydrationMarker />
    </>
  );
}
