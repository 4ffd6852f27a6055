import type { Plan } from '../../field/compiled.ts';
import type { HydratedField } from '../../field/kind.ts';
import type { TextState } from '../../field/text-state.ts';

/** A piece of the specimen: what it shows, and which part of the definition it stands for. */
export interface Piece {
  readonly id: string;
  /** Options name the parts they are defined at (`at`). */
  readonly part: string;
  readonly text: string;
  /** What a person sees in its place, where the field conceals what it holds. */
  readonly seen?: string;
  readonly caption: string;
  /** Shown although the field does not have it as it stands: a place to switch it on. */
  readonly isOff?: boolean;
  /** Stands beside the text and is no part of it: a region, a control, a limit. */
  readonly isAside?: boolean;
  /** Belongs to the value, not to the signs around it. */
  readonly isValue?: boolean;
}

/** A stretch of a finished text: fixed, or a place that holds something of the user’s. */
export interface PlacedText {
  readonly text: string;
  /** Which place it is; fixed text is none. */
  readonly place?: number;
}

/**
 * What a page draws beside the control of a field, by name: a button with a calendar, labels of the parts of a value, labels of units, a count
 * of characters, a list of regions, a stand-in for whoever sends codes (in the studio).
 */
export type AdornmentName =
  | 'calendar'
  | 'part-labels'
  | 'unit-labels'
  | 'counter'
  | 'region-list'
  | 'code-sender';

/** How a kind is drawn for whoever defines it. It ships to no page. */
export interface SpecimenRenderer<P extends Plan = Plan, B extends TextState = TextState> {
  /** A finished text of the field, in pieces. The text as it rests is one of them where it is another. */
  sample(field: HydratedField<P, B>): readonly Piece[];
  /** Which characters of a display are the user's: told the character and its offset, from left to right. All, where it is left out. */
  isUsers?(plan: P, body: B): (character: string, offset: number) => boolean;
  /** How many of the user's characters stand before the value and are no part of it. */
  lead?(body: B): number;
  /** Its places in the order of its text, of kinds that have several. */
  places?(plan: P): readonly PlacedText[];
  /** The places that hold something. */
  held?(body: B): readonly number[];
  /** What is drawn beside the control of its fields. */
  readonly adornments?: readonly AdornmentName[];
  /** Its value is picked from what is offered, and not typed. */
  readonly isPicked?: true;
  /** Whether the page shows bullets in place of what is typed. */
  conceals?(plan: P): boolean;
  /** Offsets in the display before which the page draws a gap: between groups of boxes. */
  gaps?(plan: P): readonly number[];
  /** Options that show the same value in another way, and that way in words. */
  other?(plan: P): { readonly entry: object; readonly label: string };
}
