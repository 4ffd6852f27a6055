import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type MemberConflict, mergeOf, valueAt, wholeMerge } from '../store/merging.ts';
import { idOf, type Json, type Path } from '../store/operations.ts';
import * as words from '../words/model/conflicts.ts';
import { placeInWords } from './place-words.ts';

/** Two versions of a set, merged except where both changed the same member. */
export interface SetMerge {
  readonly conflicts: readonly SetConflict[];
  /** The merged set, with the own version of the conflicts at these indices, and theirs of the others. */
  merged(mine: ReadonlySet<number>): SetDocument;
}

/** A conflict in words. */
export interface SetConflict {
  readonly id: string;
  /** What differs: “the label of Deposit”; `null` for the whole set. */
  readonly name: string | null;
  readonly theirs: string;
  readonly mine: string;
}

const asJson = (document: SetDocument): Json => document as unknown as Json;

/**
 * Merges two versions of a set. Where the merged set would be invalid, for example because one deletes a
 * field that the other compares, only a whole version can be chosen.
 */
export function mergeSets(base: SetDocument | undefined, mine: SetDocument, theirs: SetDocument): SetMerge {
  const byMember = mergeOf(base && asJson(base), asJson(mine), asJson(theirs));
  const isSound = [true, false].every(
    (isMine) => readDocument(structuredClone(byMember.merged(() => isMine)), kinds).ok,
  );
  const { conflicts, merged } =
    isSound && byMember.conflicts.length > 0 ? byMember : wholeMerge(asJson(mine), asJson(theirs));
  return {
    conflicts: conflicts.map((conflict) => inWords(conflict, mine, theirs)),
    merged: (own) => merged((conflict) => own.has(conflicts.indexOf(conflict))) as unknown as SetDocument,
  };
}

/** Why a merged set cannot be used; '' if it can. */
export function problemWithMerge(document: SetDocument): string {
  const read = readDocument(structuredClone(document), kinds);
  if (read.ok) return '';
  const [fault] = read.faults;
  return fault ? words.doNotFit(placeInWords(fault.path, document), fault.message) : '';
}

/** Most characters of a value shown. */
const mostShown = 400;

function inWords(
  { at, what, theirs, mine }: MemberConflict,
  own: SetDocument,
  other: SetDocument,
): SetConflict {
  const id = JSON.stringify([at, what]);
  if (at.length === 0) return { id, name: null, theirs: '', mine: '' };
  const owner = valueAt(asJson(own), at) === undefined ? other : own;
  const place = placeInWords(pathIn(at, asJson(owner)), owner);
  if (what === 'position') {
    const list = at.slice(0, -1);
    const after = (id: Json | undefined) =>
      typeof id === 'string'
        ? words.after(placeInWords(pathIn([...list, { id }], asJson(owner)), owner))
        : words.first;
    return { id, name: words.positionOf(place), theirs: after(theirs), mine: after(mine) };
  }
  const isItem = typeof at.at(-1) === 'object';
  const shown = (value: Json | undefined): string => {
    if (value === undefined) return isItem ? words.deleted : words.none;
    const text = typeof value === 'string' ? value : JSON.stringify(value, null, 1);
    return text.length > mostShown ? words.shortened(text.slice(0, mostShown)) : text;
  };
  return { id, name: place, theirs: shown(theirs), mine: shown(mine) };
}

/** A path as the reader of documents writes it, with the index of each item: `$.fields[2].label`. */
function pathIn(at: Path, document: Json): string {
  return at.reduce<string>((path, step, i) => {
    if (typeof step === 'string') return `${path}[${JSON.stringify(step)}]`;
    const list = valueAt(document, at.slice(0, i));
    const all = Array.isArray(list) ? (list as readonly Json[]) : [];
    return `${path}[${all.findIndex((item) => idOf(item) === step.id)}]`;
  }, '$');
}
