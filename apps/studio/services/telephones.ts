/** A message as a telephone receives it. */
export interface Message {
  readonly at: string;
  readonly text: string;
}

/**
 * The simulated telephones, by number or address. They are not part of the store, because what they show is
 * outside of it.
 */
const telephones = globalThis as { arbeitTelephones?: Map<string, readonly Message[]> };

/** Most telephones kept, and most messages on each. */
const mostTelephones = 200;
const mostMessages = 5;

/** Delivers a message; the newest is first. */
export function deliver(address: string, text: string, at: Date): void {
  telephones.arbeitTelephones ??= new Map();
  const all = telephones.arbeitTelephones;
  const had = all.get(address) ?? [];
  all.delete(address);
  all.set(address, [{ at: at.toISOString(), text }, ...had].slice(0, mostMessages));
  for (const oldest of all.keys()) if (all.size > mostTelephones) all.delete(oldest);
}

export const messagesOn = (address: string): readonly Message[] =>
  telephones.arbeitTelephones?.get(address) ?? [];

/**
 * The text of a message with a code: a sentence for people, and a last line for browsers (origin-bound
 * one-time codes, WICG), which offer the code only to that site.
 */
export const codeMessage = (code: string, host: string): string =>
  `Ridge Huts: ${code} confirms the change of your booking. We never ask for it by telephone.\n\n@${host} #${code}`;
