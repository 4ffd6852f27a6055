'use client';

import type { FormStore } from '@arbeit/dom';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { codePath } from '../../services/paths.ts';
import type { Message } from '../../services/telephones.ts';
import { later } from '../../ui/later.tsx';
import * as words from '../../words/form/code-request.ts';
import { Telephone, useTelephone } from './telephone.tsx';

const codeSample = later(() => import('./code-sample.ts'));

/**
 * For a field with a one-time code: asks the message sender for a code, and shows the simulated telephone
 * that receives it. Without a rule that checks the code, the telephone gets one of the shape of the field.
 * Empty for other fields.
 */
export function CodeRequest({ form, field }: { readonly form: FormStore; readonly field: string }) {
  const rules = [...(form.form.rulesAt.get(field) ?? []), ...form.field(field).field.rules];
  const check = rules.map((rule) => rule.check).find((one) => one.type === 'remote' && one.ask === codePath);
  const to = check?.type === 'remote' ? check.with[0] : undefined;
  if (to !== undefined) return <Request form={form} field={field} to={to} />;
  const { html } = form.field(field).field;
  return html.autocomplete === 'one-time-code' ? <UncheckedCode form={form} field={field} /> : null;
}

/** A message with a code that nothing checks. */
function UncheckedCode({ form, field }: { readonly form: FormStore; readonly field: string }) {
  const [messages, setMessages] = useState<readonly Message[]>([]);
  const [problem, setProblem] = useState('');
  const send = async () => {
    const loaded = await codeSample.fetch().catch(() => undefined);
    setProblem(loaded ? '' : words.theSenderCould);
    if (!loaded) return;
    const text = words.messageWithCode(loaded.codeFor(form.field(field).field));
    setMessages((had) => [{ at: new Date().toISOString(), text }, ...had]);
  };
  return (
    <div className="mt-1 text-sm">
      <button type="button" className="word-button" onClick={() => void send()}>
        {words.sendMeACode}
      </button>
      <p role="status" className="text-faint">
        {problem || (messages.length > 0 && words.nothingChecksIt(codePath))}
      </p>
      <Telephone
        messages={messages}
        address={null}
        onTake={(text) => form.field(field).dispatch({ type: 'autofill', text })}
      />
    </div>
  );
}

function Request({
  form,
  field,
  to,
}: {
  readonly form: FormStore;
  readonly field: string;
  readonly to: string;
}) {
  const other = form.field(to);
  const { value, flags } = useSyncExternalStore(other.subscribe, other.evaluation, other.evaluation);
  const [said, setSaid] = useState('');
  const [wait, setWait] = useState(0);
  const [isBusy, setBusy] = useState(false);
  const telephone = useTelephone(value);
  useEffect(() => {
    if (wait === 0) return;
    const timer = setTimeout(() => setWait(wait - 1), 1000);
    return () => clearTimeout(timer);
  }, [wait]);
  const isPossible = value !== null && flags.valid;
  const send = async () => {
    setBusy(true);
    const response = await fetch('/api/services/codes', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ to: value }),
    }).catch(() => null);
    const body = (await response?.json().catch(() => null)) as { error?: string; seconds?: number } | null;
    setBusy(false);
    setWait(body?.seconds ?? 0);
    setSaid(response?.ok ? words.codeSent : (body?.error ?? words.theSenderCould));
    void telephone.look();
  };
  return (
    <div className="mt-1 text-sm">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <button
          type="button"
          className="word-button"
          aria-disabled={!isPossible || isBusy || wait > 0}
          onClick={() => {
            if (isPossible && !isBusy && wait === 0) void send();
          }}
        >
          {wait > 0 ? words.anotherCodeInS(wait) : words.sendMeACode}
        </button>
        <span role="status" className="text-faint">
          {isPossible ? said : words.fillInFirst(other.field.label)}
        </span>
      </div>
      <Telephone
        messages={telephone.messages}
        address={value}
        onTake={(text) => form.field(field).dispatch({ type: 'autofill', text })}
      />
    </div>
  );
}
