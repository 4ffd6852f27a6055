import type { SetDocument } from '@arbeit/engine/document';
import type { StoredSet } from '../store/sets.ts';
import * as words from '../words/model/edited.ts';
import type { Draft } from './draft.ts';
import { begin, type History, record, redo, undo } from './history.ts';
import { type Change, isNews } from './news.ts';
import type { Around, Outbox, Saver, SaveState, Theirs } from './saver.ts';

/** The state of a set that is being edited. */
export interface EditedState {
  readonly document: SetDocument;
  readonly save: SaveState;
  /** Whether the browser keeps unsaved changes. If not, leaving asks. */
  readonly isKept: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** When unsaved changes of an earlier visit were restored: their time (ISO 8601). */
  readonly putBack: string | null;
}

/** What a page needs of its browser. */
export interface Browser {
  /** The unique name of the page. */
  readonly page: string;
  /**
   * Loads the saver. `follow` calls back after each save of the set and returns a function that ends this.
   */
  load(): Promise<{
    createSaver(from: Theirs, around: Omit<Around, 'send' | 'changesSince'>): Saver;
    follow(heard: (change: Change) => void): () => void;
  }>;
  /** Stores a draft. Resolves to whether the browser did; it may take long, or never resolve. */
  keep(draft: Draft): Promise<boolean>;
  drop(draft: Pick<Draft, 'key' | 'page'>): void;
  /** Drafts of the set from pages that are gone, the newest first. */
  left(set: Pick<StoredSet, 'key' | 'id'>): Promise<readonly Draft[]>;
  /** Marks the page's drafts as in use while it lives. Returns a function that ends this. */
  hold(page: string): () => void;
  /** Notifies the other tabs that a set was saved. */
  announce(key: string, change: Change): void;
  /** Monotonic time in milliseconds. */
  now(): number;
}

/** Time a browser may take to store a draft before the draft counts as not stored, in milliseconds. */
const mostKeeping = 1_000;

/** Pause before the saver is loaded again after a failure, in milliseconds. */
const loadAgain = 5_000;

/**
 * A set being edited on a page: its document, undo and redo, saving, and the draft in the browser. The saver
 * knows of every edit and every change from elsewhere before anything else happens, so changes are never
 * merged into a document that is no longer shown.
 */
export class Edited {
  readonly #stored: StoredSet;
  readonly #browser: Browser;
  #saver: Saver | undefined;
  #loading: Promise<Saver> | undefined;
  /** Calls that wait for the saver. */
  readonly #uses: ((saver: Saver) => void)[] = [];
  readonly #listeners = new Set<() => void>();
  #history: History<SetDocument>;
  #save: SaveState = { is: 'saved' };
  #page: string;
  #letGo = (): void => {};
  #isTouched = false;
  #isStarted = false;
  #follow: (() => () => void) | undefined;
  #unfollow = (): void => {};
  #putBack: string | null = null;
  /** When the browser was given the draft that it has not confirmed yet; `null` if it refused. */
  #keepingSince: number | null | undefined;
  #keepings = 0;
  #state: EditedState;

  constructor(stored: StoredSet, history: History<SetDocument>, browser: Browser) {
    this.#stored = stored;
    this.#browser = browser;
    this.#page = browser.page;
    this.#history = history;
    this.#state = this.#stateNow();
  }

  readonly state = (): EditedState => this.#state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => void this.#listeners.delete(listener);
  };

  /** The steps of undo and redo. */
  history(): History<SetDocument> {
    return this.#history;
  }

  /** Restores a history from an earlier page if nothing has been edited here yet. */
  recall(history: History<SetDocument>): void {
    const { past, future, present } = this.#history;
    if (past.length + future.length > 0 || present !== this.#stored.document) return;
    this.#history = { ...history, present };
    this.#changed();
  }

  readonly edit = (change: (document: SetDocument) => SetDocument, about?: string): void =>
    this.#go(record(this.#history, change(this.#history.present), about ?? null));
  readonly undo = (): void => this.#go(undo(this.#history));
  readonly redo = (): void => this.#go(redo(this.#history));
  readonly retry = (): void => this.#withSaver((saver) => saver.retry());

  /** Changes the document. Resolves when it was saved or the save failed; `save` tells which. */
  readonly editAndSave = (change: (document: SetDocument) => SetDocument): Promise<void> => {
    this.edit(change);
    return this.prepare().then(
      (saver) => saver.flush(),
      () => undefined,
    );
  };

  /** After a conflict: continues with what somebody has chosen from both versions. It can be undone. */
  readonly resolve = (chosen: SetDocument): void => {
    if (this.#save.is !== 'refused') return;
    const { theirs } = this.#save;
    this.#history = record(this.#history, chosen, null);
    this.#saver?.goOnFrom(theirs);
    this.#saver?.want(chosen);
    void this.#saver?.flush();
    this.#changed();
  };

  /** Fetches changes made by others. With `news`, only if that change is new. */
  readonly catchUp = (news?: Change): void => this.#withSaver((saver) => void saver.catchUp(news));

  /** Handles a save made in another tab or by somebody else. */
  readonly heard = (key: string, news: Change): void => {
    if (key === this.#stored.key && isNews(this.#outbox(), news)) this.catchUp(news);
  };

  /** Saves while the page is unloaded. */
  leave(): void {
    void this.#saver?.flush(true);
  }

  /** Whether leaving would lose something. */
  isAtRisk(): boolean {
    const isUnsaved = this.#saver ? this.#saver.isUnsaved() : this.#isTouched;
    return isUnsaved && !this.#isKept();
  }

  /** Loads the saver before the first edit. */
  readonly prepare = (): Promise<Saver> => {
    this.#loading ??= this.#browser.load().then(({ createSaver, follow }) => {
      this.#saver = createSaver(this.#stored, {
        page: this.#browser.page,
        tell: (save) => this.#told(save),
        joined: (present, toAnother) => {
          const { past, future } = this.#history;
          // Changes of others stay when local changes are undone. Undo steps that they do not fit are
          // dropped.
          const withIt = (all: readonly SetDocument[]) =>
            all.map(toAnother).filter((document) => document !== undefined);
          this.#history = { past: withIt(past), present, future: withIt(future), about: null };
          this.#changed();
        },
        kept: () => this.#keep(),
      });
      this.#follow = () => follow((change) => this.heard(this.#stored.key, change));
      if (this.#isStarted) this.#unfollow = this.#follow();
      return this.#saver;
    });
    // Without a network the saver cannot be loaded: the next call loads it again.
    this.#loading.catch(() => {
      this.#loading = undefined;
    });
    return this.#loading;
  };

  /**
   * Restores the draft of an earlier visit, and marks this page's drafts as in use. Returns a function that
   * ends this.
   */
  start(): () => void {
    let isGone = false;
    this.#isStarted = true;
    if (this.#follow) this.#unfollow = this.#follow();
    this.#letGo = this.#browser.hold(this.#page);
    void this.#left().then((draft) => {
      if (!isGone && draft && !this.#isTouched) this.#takeUp(draft);
    });
    return () => {
      isGone = true;
      this.#isStarted = false;
      this.#unfollow();
      this.leave();
      this.#letGo();
    };
  }

  /**
   * The draft of another visit with changes that this page does not show. Drafts that the server already has
   * are deleted.
   */
  async #left(): Promise<Draft | undefined> {
    const { revision, generation, document } = this.#stored;
    const shown = JSON.stringify(document);
    const isSeen = ({ savedAs, outbox, document: left }: Draft): boolean =>
      savedAs === undefined
        ? JSON.stringify(left) === shown
        : savedAs <= revision || outbox?.generation !== generation;
    const all = await this.#browser.left(this.#stored);
    // Drafts that the server already has must not be restored, neither now nor later over newer work.
    for (const draft of all) if (isSeen(draft)) this.#browser.drop(draft);
    return all.find((draft) => !isSeen(draft));
  }

  #takeUp(draft: Draft): void {
    const { savedAs: revision, document, outbox, page, at } = draft;
    if (revision !== undefined && outbox) {
      // Saved after this page was requested: it is what the server would return now.
      this.#history = begin(document);
      this.#changed();
      this.#withSaver((saver) => {
        const { present } = this.#history;
        saver.goOnFrom({ generation: outbox.generation, revision, document });
        if (present !== document) saver.want(present);
      });
      return;
    }
    this.#browser.drop(draft);
    this.#isTouched = true;
    this.#putBack = at;
    this.#history = record(this.#history, document, null);
    // The draft keeps the name of its page, so that a save of that page that was under way is recognised.
    // Drafts of older versions have no name.
    if (outbox) {
      this.#page = page;
      this.#letGo();
      this.#letGo = this.#browser.hold(page);
    }
    this.#changed();
    this.#withSaver((saver) => {
      saver.takeUp(this.#page, outbox, document);
      if (this.#history.present !== document) saver.want(this.#history.present);
      this.#keep();
    });
  }

  #go(next: History<SetDocument>): void {
    const isOther = next.present !== this.#history.present;
    this.#history = next;
    if (isOther) {
      this.#isTouched = true;
      if (this.#saver) this.#saver.want(next.present);
      else {
        this.#save = { is: 'waiting' };
        this.#withSaver((saver) => saver.want(this.#history.present));
      }
      this.#keep();
    }
    this.#changed();
  }

  /** What a page that has saved nothing yet knows, or the state of its saver. */
  #outbox(): Outbox {
    const { generation, revision: base, document: stored } = this.#stored;
    return this.#saver?.outbox() ?? { generation, counter: 0, base, stored };
  }

  #withSaver(use: (saver: Saver) => void): void {
    if (this.#saver) use(this.#saver);
    else if (this.#uses.push(use) === 1) this.#load();
  }

  #load(): void {
    this.prepare().then(
      (saver) => {
        for (const use of this.#uses.splice(0)) use(saver);
      },
      () => {
        if (this.#isTouched) this.#told({ is: 'failed', why: words.arbeitCouldNotBeReached, fault: '' });
        setTimeout(() => this.#load(), loadAgain);
      },
    );
  }

  #told(save: SaveState): void {
    this.#save = save;
    if (save.is === 'saved' && save.as) {
      this.#keep(save.as.revision);
      const { generation, base: revision } = this.#outbox();
      this.#browser.announce(this.#stored.key, { generation, revision });
    }
    this.#changed();
  }

  /** Stores a draft of what may not be saved yet. A page without edits has nothing to store. */
  #keep(savedAs?: number): void {
    if (!this.#isTouched) return;
    const { present: document } = this.#history;
    const saved = savedAs === undefined ? {} : { savedAs };
    const at = new Date().toISOString();
    const draft = { key: this.#stored.key, page: this.#page, outbox: this.#outbox(), document, at };
    const turn = ++this.#keepings;
    this.#keepingSince ??= this.#browser.now();
    void this.#browser.keep({ ...draft, ...saved }).then((isKept) => {
      if (turn !== this.#keepings) return;
      this.#keepingSince = isKept ? undefined : null;
      this.#changed();
    });
  }

  #isKept(): boolean {
    const since = this.#keepingSince;
    return since === undefined || (since !== null && this.#browser.now() - since < mostKeeping);
  }

  #stateNow(): EditedState {
    const { past, present, future } = this.#history;
    return {
      document: present,
      save: this.#save,
      isKept: this.#isKept(),
      canUndo: past.length > 0,
      canRedo: future.length > 0,
      putBack: this.#putBack,
    };
  }

  #changed(): void {
    const next = this.#stateNow();
    const isSame = (Object.keys(next) as (keyof EditedState)[]).every(
      (key) => next[key] === this.#state[key],
    );
    if (isSame) return;
    this.#state = next;
    for (const listener of this.#listeners) listener();
  }
}
