/**
 * Ids that the studio made up for new fields and forms. They follow the label until somebody sets them or
 * downloads a hand-off; after that, code may use them. The browser that created them remembers them.
 */
const place = 'arbeit.new-ids';

/** Most ids that are remembered; the oldest are forgotten first. */
const most = 500;

/** `fields/deposit`, `forms/booking`. */
export type IdPath = `fields/${string}` | `forms/${string}`;

function remembered(): readonly string[] {
  try {
    const all: unknown = JSON.parse(localStorage.getItem(place) ?? '[]');
    return Array.isArray(all) ? all.filter((one) => typeof one === 'string') : [];
  } catch {
    return [];
  }
}

function remember(all: readonly string[]): void {
  try {
    localStorage.setItem(place, JSON.stringify(all.slice(-most)));
  } catch {
    // Without storage the id stays as it is; it can be set by hand.
  }
}

/** Remembers that an id was made up. `setKey` is the key of its set. */
export const addNewId = (setKey: string, path: IdPath): void =>
  remember([...remembered().filter((one) => one !== `${setKey}/${path}`), `${setKey}/${path}`]);

/** Whether an id was made up and still follows its label. */
export const isNewId = (setKey: string, path: IdPath): boolean => remembered().includes(`${setKey}/${path}`);

/** Makes an id permanent: somebody set it. */
export const keepId = (setKey: string, path: IdPath): void =>
  remember(remembered().filter((one) => one !== `${setKey}/${path}`));

/** Makes all ids of a set permanent: code was exported. */
export const keepIds = (setKey: string): void =>
  remember(remembered().filter((one) => !one.startsWith(`${setKey}/`)));
