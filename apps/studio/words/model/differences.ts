// Texts of `model/differences.ts`.

export const and = (words: string, at: string | undefined) => `${words} and ${at}`;
export const set = (listed: string) => `Set: ${listed} changed.`;
export const wasAdded = (name: string) => `${name} was added.`;
export const changedWithNameListed = (name: string, listed: string) => `${name}: ${listed} changed.`;
export const wasRemoved = (name: string) => `${name} was removed.`;
export const theFields = 'The fields are in a different order.';
