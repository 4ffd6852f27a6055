'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Message } from '../../services/telephones.ts';
import * as words from '../../words/form/telephone.ts';

/** The messages on the simulated telephone of an address, updated on request. */
export function useTelephone(address: string | null): {
  readonly messages: readonly Message[];
  look(): Promise<void>;
} {
  const [messages, setMessages] = useState<readonly Message[]>([]);
  const look = useCallback(async () => {
    if (address === null) return setMessages([]);
    const response = await fetch(`/api/services/messages?to=${encodeURIComponent(address)}`).catch(
      () => null,
    );
    const body = (await response?.json().catch(() => null)) as { messages?: readonly Message[] } | null;
    if (body?.messages) setMessages(body.messages);
  }, [address]);
  useEffect(() => void look(), [look]);
  return { messages, look };
}

/**
 * A simulated telephone: a stand-in that ships with the studio, drawn as one, so that it is not mistaken for
 * a part of the form.
 */
export function Telephone({
  address,
  messages,
  onTake,
}: {
  readonly address: string | null;
  readonly messages: readonly Message[];
  /** Fills in the code, as a browser that has read the message would. */
  readonly onTake: (text: string) => void;
}) {
  return (
    <section aria-label={words.simulatedPhone} className="telephone">
      <p className="caption">{words.simulatedPhoneWithValue(address ? `, ${address}` : '')}</p>
      {messages.length === 0 ? (
        <p className="text-faint">{words.noMessageYet}</p>
      ) : (
        <ol>
          {messages.slice(0, 2).map(({ at, text }) => (
            <li key={at} className="border-t border-rule py-1">
              <p className="value whitespace-pre-line wrap-anywhere text-xs">{text}</p>
              <button type="button" className="word-button" onClick={() => onTake(text)}>
                {words.insertCode}
              </button>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
