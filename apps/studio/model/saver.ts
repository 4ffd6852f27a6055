import type { SetDocument } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import {
  carriedOut,
  type Json,
  mostOperations,
  type Operation,
  operationsBetween,
} from '../store/operations.ts';
import { digest, type Save, withMine } from '../store/saving.ts';
import * as words from '../words/model/saver.ts';
import { type Change, isNews } from './news.ts';
import { placeInWords } from './place-words.ts';

/** A set as the store has it. */
export interface Theirs {
  readonly generation: string;
  readonly revision: number;
  readonly document: SetDocument;
}

/** The state of the latest save. */
export type SaveState =
  | { readonly is: 'waiting' | 'saving' }
  /** `as`: what the server has just acknowledged, and its revision. */
  | { readonly is: 'saved'; readonly as?: { readonly revision: number; readonly document: SetDocument } }
  /** `fault`: the first fault of the document and its place, in words; empty if there is none. */
  | { readonly is: 'failed'; readonly why: string; readonly fault: string }
  /**
   * Somebody else changed the same member. What was sent is kept under `kept`, if the server could put it
   * together.
   */
  | {
      readonly is: 'refused';
      readonly theirs: Theirs;
      /** What both versions began with; `undefined` if it is not known. */
      readonly base: SetDocument | undefined;
      readonly kept: number | null;
      /** Whether the store was restored from a backup meanwhile. */
      readonly isRestored: boolean;
    };

/** Everything of a page that is not known to be stored, to be kept in the browser. */
export interface Outbox {
  readonly generation: string;
  /** Number of the last save that was answered or is being sent. */
  readonly counter: number;
  /** The last known revision and its document. */
  readonly base: number;
  readonly stored: SetDocument;
  /** The save that is sent until it is answered, with its document. */
  readonly underWay?: { readonly save: Save; readonly document: SetDocument } | undefined;
}

export interface Saver {
  /** Saves this document soon; only the latest one counts. */
  want(document: SetDocument): void;
  /** Saves at once; `leaving` while the page closes. Resolves when everything wanted so far was answered. */
  flush(leaving?: boolean): Promise<void>;
  /** Continues from what the store has, discarding what was wanted before. */
  goOnFrom(theirs: Theirs): void;
  retry(): void;
  /** Fetches changes of others. With `news`, only if it is still new once the current save is answered. */
  catchUp(news?: Change): Promise<void>;
  outbox(): Outbox;
  /** Whether something wanted is not acknowledged yet. */
  isUnsaved(): boolean;
  /**
   * Takes over what another page of this browser left, under its name. Without its outbox the base is
   * unknown, so somebody must choose.
   */
  takeUp(page: string, outbox: Outbox | undefined, document: SetDocument): void;
}

export type Answer =
  /** It is stored. `theirs`: changes of others since the base. `digest`: of the document as stored now. */
  | {
      readonly ok: true;
      readonly revision: number;
      readonly theirs: readonly Operation[];
      readonly digest: string;
    }
  | { readonly ok: false; readonly theirs: Theirs; readonly kept: number | null }
  | { readonly ok: false; readonly why: string; readonly faults: readonly DocumentFault[] };

/**
 * Changes of others since a revision; the whole document if they cannot be told apart or do not lead to what
 * is stored.
 */
export type Changes =
  | { readonly revision: number; readonly theirs: readonly Operation[]; readonly digest: string }
  | { readonly whole: Theirs };

export interface Around {
  /** The name that saves are sent under. */
  readonly page: string;
  /** Sends a save. A rejection is a failure, and it is tried again. */
  send(save: Save & { readonly generation: string }, leaving: boolean): Promise<Answer>;
  /** Resolves to `undefined` if nobody answers. */
  changesSince(base: number | undefined, generation: string): Promise<Changes | undefined>;
  tell(state: SaveState): void;
  /**
   * Called when others have changed the set: with the document including unsaved changes, and a function that
   * applies the same to another document (`undefined` if that has no place for it).
   */
  joined(document: SetDocument, toAnother: (document: SetDocument) => SetDocument | undefined): void;
  /** Called when what must be kept in the browser has changed. */
  kept?(): void;
  /** Milliseconds from a change to its save. */
  readonly pause?: number;
}

/** Waiting times before the next automatic attempt, in milliseconds: longer each time. */
const waits = [2_000, 5_000, 10_000, 30_000];

const asJson = (document: SetDocument): Json => document as unknown as Json;
const between = (before: SetDocument, after: SetDocument): readonly Operation[] =>
  before === after ? [] : operationsBetween(asJson(before), asJson(after));

/**
 * Saves a document as it changes: one save at a time, repeated unchanged until it is answered, so that the
 * server recognises a save whose answer was lost. Changes of others to other members are merged in. If both
 * changed the same member, nothing is sent until the user has chosen. After a failure it retries
 * automatically, unless the document is invalid, which a retry cannot fix.
 */
export const createSaver = (from: Theirs, around: Around): Saver => new PageSaver(from, around);

type UnderWay = NonNullable<Outbox['underWay']>;

/** Holds a timer and a request. */
class PageSaver implements Saver {
  readonly #around: Around;
  #page: string;
  #box: Outbox;
  #wanted: SetDocument | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  /** Whether somebody must choose. */
  #held = false;
  #failures = 0;
  /** Whether the server found faults in the document to save. */
  #isFaulty = false;
  #busy: Promise<void> | undefined;

  constructor({ generation, revision, document }: Theirs, around: Around) {
    this.#around = around;
    this.#page = around.page;
    this.#box = { generation, counter: 0, base: revision, stored: document };
  }

  want(document: SetDocument): void {
    this.#wanted = document;
    this.#isFaulty = false;
    if (this.#held) return;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), this.#around.pause ?? 500);
    if (!this.#busy) this.#around.tell({ is: 'waiting' });
  }

  flush(leaving = false): Promise<void> {
    this.#busy ??= this.#go(leaving).finally(() => {
      this.#busy = undefined;
    });
    return this.#busy;
  }

  retry(): void {
    void this.flush();
  }

  goOnFrom({ generation, revision, document }: Theirs): void {
    this.#held = false;
    this.#wanted = undefined;
    this.#put({ ...this.#box, generation, base: revision, stored: document, underWay: undefined });
    this.#around.tell({ is: 'saved', as: { revision, document } });
  }

  async catchUp(news?: Change): Promise<void> {
    // A save under way receives the changes with its response, which may not come.
    await this.#busy;
    if (this.#busy || this.#held || this.#box.underWay) return;
    if (news && !isNews(this.#box, news)) return;
    // The response to a save contains the changes too, and the server keeps a save that it refuses.
    if (this.#wanted !== undefined && !this.#isFaulty) return this.flush();
    const { base, stored } = this.#box;
    const found = await this.#around.changesSince(base, this.#box.generation);
    // A save begun in the meantime receives the changes with its response.
    if (!found || this.#busy || this.#held || this.#box.underWay || this.#box.base !== base) return;
    const revision = 'whole' in found ? found.whole.revision : found.revision;
    if (revision === base && !('whole' in found && found.whole.generation !== this.#box.generation)) return;
    if ('whole' in found) this.#goOverTo(found.whole, stored, between(stored, found.whole.document));
    else await this.#goOver(found, stored, []);
    if (!this.#held && this.#wanted === undefined) this.#around.tell({ is: 'saved' });
    else if (!this.#held) void this.flush();
  }

  outbox(): Outbox {
    return this.#box;
  }

  isUnsaved(): boolean {
    return this.#wanted !== undefined || this.#box.underWay !== undefined;
  }

  takeUp(page: string, outbox: Outbox | undefined, document: SetDocument): void {
    this.#wanted = document;
    if (!outbox) {
      const { generation, base: revision, stored } = this.#box;
      this.#refuse({ generation, revision, document: stored }, null, undefined);
      return;
    }
    this.#page = page;
    this.#box = outbox;
    void this.flush();
  }

  async #go(leaving: boolean): Promise<void> {
    for (let isFirst = true; ; isFirst = false) {
      clearTimeout(this.#timer);
      const underWay = this.#held ? undefined : this.#begin();
      if (!underWay) return;
      this.#around.tell({ is: 'saving' });
      const sent = { ...underWay.save, generation: this.#box.generation };
      const answer = await this.#around.send(sent, leaving && isFirst).catch((error: unknown): Answer => {
        const why = error instanceof Error ? error.message : String(error);
        return { ok: false, why: words.arbeitCouldNotBeReachedWithWhy(why), faults: [] };
      });
      // The saver continued from another revision in the meantime, so this result no longer matters.
      if (this.#box.underWay !== underWay) continue;
      await this.#answered(answer, underWay);
      if (this.#box.underWay || !answer.ok) return;
    }
  }

  /** The save that is being sent, or a new one of what is wanted. */
  #begin(): UnderWay | undefined {
    const box = this.#box;
    const document = this.#wanted;
    if (box.underWay || document === undefined) return box.underWay;
    const operations = between(box.stored, document);
    this.#wanted = undefined;
    if (operations.length === 0) {
      this.#around.tell({ is: 'saved' });
      return undefined;
    }
    const save = { page: this.#page, counter: box.counter + 1, base: box.base, operations };
    const underWay = { save, document };
    this.#put({ ...box, counter: save.counter, underWay });
    return underWay;
  }

  async #answered(answer: Answer, underWay: UnderWay): Promise<void> {
    if (answer.ok) {
      if (!(await this.#goOver(answer, underWay.document, underWay.save.operations)))
        return this.#fail(words.theResponseWasCutOff, []);
      this.#failures = 0;
      const { base: revision, stored: document } = this.#box;
      if (!this.#held && this.#wanted === undefined)
        this.#around.tell({ is: 'saved', as: { revision, document } });
      return;
    }
    if ('theirs' in answer) return this.#refuse(answer.theirs, answer.kept, this.#box.stored);
    if (answer.faults.length > 0) {
      // It was refused and is not sent again; the next save gets its number.
      this.#isFaulty = this.#wanted === undefined;
      this.#wanted = this.#here();
      this.#put({ ...this.#box, counter: this.#box.counter - 1, underWay: undefined });
    }
    this.#fail(answer.why, answer.faults);
  }

  /**
   * Merges what the store has: changes of others, and the changes sent on top. `after` is what the store
   * would have without them. Resolves to whether the content of the store is now known.
   */
  async #goOver(
    { revision, theirs, digest: expected }: Exclude<Changes, { whole: Theirs }>,
    after: SetDocument,
    sent: readonly Operation[],
  ): Promise<boolean> {
    // If there are very many changes, fetching the whole set is faster.
    const isFar = theirs.length > mostOperations;
    const others = isFar ? undefined : carriedOut(asJson(this.#box.stored), theirs);
    const now = others === undefined || theirs.length === 0 ? others && after : carriedOut(others, sent);
    if (now !== undefined && digest(JSON.stringify(now)) === expected) {
      const { generation } = this.#box;
      this.#goOverTo({ generation, revision, document: now as unknown as SetDocument }, after, theirs);
      return true;
    }
    const { underWay } = this.#box;
    const found = await this.#around.changesSince(undefined, this.#box.generation);
    if (!found || !('whole' in found)) return false;
    if (this.#box.underWay === underWay)
      this.#goOverTo(found.whole, after, between(after, found.whole.document));
    return true;
  }

  #goOverTo(whole: Theirs, after: SetDocument, theirs: readonly Operation[]): void {
    const mine = between(after, this.#here());
    const shown = theirs.length === 0 ? this.#here() : withMine(whole.document, theirs, mine);
    const { generation, revision, document } = whole;
    const isRestored = generation !== this.#box.generation;
    this.#put({ ...this.#box, generation, base: revision, stored: document, underWay: undefined });
    if (shown === undefined) {
      this.#refuse(whole, null, after, isRestored);
      return;
    }
    const isAll = between(document, shown).length === 0;
    this.#wanted = isAll ? undefined : shown;
    if (theirs.length > 0)
      this.#around.joined(
        isAll ? document : shown,
        (other) => carriedOut(asJson(other), theirs) as unknown as SetDocument | undefined,
      );
  }

  #refuse(
    { generation, revision, document }: Theirs,
    kept: number | null,
    base: SetDocument | undefined,
    isRestored = generation !== this.#box.generation,
  ): void {
    this.#held = true;
    this.#wanted = this.#here();
    this.#put({ ...this.#box, underWay: undefined });
    this.#around.tell({ is: 'refused', theirs: { generation, revision, document }, base, kept, isRestored });
  }

  #fail(why: string, faults: readonly DocumentFault[]): void {
    const [first] = faults;
    const fault = first ? `${placeInWords(first.path, this.#here())}: ${first.message}` : '';
    this.#around.tell({ is: 'failed', why, fault });
    if (first) return;
    const wait = waits[Math.min(this.#failures++, waits.length - 1)];
    this.#timer = setTimeout(() => void this.flush(), wait);
  }

  /** The document that the page shows. */
  #here(): SetDocument {
    return this.#wanted ?? this.#box.underWay?.document ?? this.#box.stored;
  }

  #put(box: Outbox): void {
    this.#box = box;
    this.#around.kept?.();
  }
}
