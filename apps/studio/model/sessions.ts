/** Longest pause within a session, in milliseconds. */
const longestPause = 60 * 60_000;

/** Consecutive revisions that were saved in one go. */
export interface Session<R> {
  /** When its first and its last revision was saved (ISO 8601). */
  readonly from: string;
  readonly to: string;
  /** Newest first. */
  readonly revisions: readonly R[];
}

/**
 * Revisions grouped by session: a pause of an hour or another day (UTC) begins another one. `revisions` is
 * newest first, and so is the result.
 */
export function sessionsOf<R extends { readonly savedAt: string }>(
  revisions: readonly R[],
): readonly Session<R>[] {
  const sessions: Session<R>[] = [];
  for (const one of revisions) {
    const last = sessions.at(-1);
    const isSame =
      last !== undefined &&
      Date.parse(last.from) - Date.parse(one.savedAt) <= longestPause &&
      last.from.slice(0, 10) === one.savedAt.slice(0, 10);
    if (isSame)
      sessions[sessions.length - 1] = { ...last, from: one.savedAt, revisions: [...last.revisions, one] };
    else sessions.push({ from: one.savedAt, to: one.savedAt, revisions: [one] });
  }
  return sessions;
}
