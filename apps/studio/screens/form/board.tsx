'use client';

import type { FormStore } from '@arbeit/dom';
import { useDeferredValue, useMemo, useState, useSyncExternalStore } from 'react';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as texts from '../../words/form/board.ts';
import { boardOf, moments, type Seen, type ShowOn } from './board.ts';

/** Fields by time: exactly which message would show for the current values, and why others would not. */
export function Board({ store, today }: { readonly store: FormStore; readonly today: string }) {
  const state = useSyncExternalStore(store.subscribe, store.state, store.state);
  const present = useMemo(() => ({ form: store.form, state }), [store.form, state]);
  // A key does not wait for the board. It is rendered later, with the form as it was then.
  const then = useDeferredValue(present);
  const rows = useMemo(() => boardOf(then.form, then.state, today), [then, today]);
  const [isExplained, setExplained] = useState(false);
  return (
    <section aria-label={texts.messageTiming}>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h2 className="caption">{texts.messageTiming}</h2>
        <button
          type="button"
          className="word-button text-sm"
          aria-pressed={isExplained}
          onClick={() => setExplained(!isExplained)}
        >
          {isExplained ? texts.hideInactiveRules : texts.showWhyOtherRules}
        </button>
      </div>
      <Scrolled label={texts.messagesByMoment}>
        <table className="table board">
          <thead>
            <tr>
              <th scope="col">{texts.field}</th>
              {Object.entries(moments).map(([moment, words]) => (
                <th key={moment} scope="col">
                  {words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ field, label, seen }) => (
              <tr key={field}>
                <th scope="row">{label}</th>
                {(Object.keys(moments) as ShowOn[]).map((moment) => (
                  <td key={moment}>
                    <Cell seen={seen[moment]} isExplained={isExplained} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolled>
    </section>
  );
}

function Cell({
  seen: { shown, quiet },
  isExplained,
}: {
  readonly seen: Seen;
  readonly isExplained: boolean;
}) {
  return (
    <>
      {shown.map(({ rule, message, severity, code }) => (
        <p key={rule} className={severity === 'error' ? 'text-brick' : 'text-marigold'}>
          {message} <span className="value text-xs text-faint">{isExplained ? `${rule}: ${code}` : ''}</span>
        </p>
      ))}
      {shown.length === 0 && (
        <span className="text-faint" title={texts.noMessage}>
          –
        </span>
      )}
      {isExplained &&
        quiet.map(({ rule, why }) => (
          <p key={rule} className="text-xs text-faint">
            <span className="value">{rule}</span>: {why}
          </p>
        ))}
    </>
  );
}
