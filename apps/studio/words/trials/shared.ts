// Texts that several files use.

export const notRunYetSentence = 'Not run yet.';
export const eventsSoFar = 'Events so far';
export const theSetHasChangedSince = 'The set has changed since this run. Run again to update.';
