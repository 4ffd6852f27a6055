import type { Plan } from '../../field/compiled.ts';
import type { HydratedField } from '../../field/kind.ts';
import type { TextState } from '../../field/text-state.ts';

/** A piece of the specimen: its text, and the part of the definition it stands for. */
export interface Piece {
  readonly id: string;
  /** Name of the part. Options refer to it with `at`. */
  readonly part: string;
  readonly text: string;
  /** The text that users see if the field conceals it. */
  readonly seen?: string;
  readonly caption: string;
  /** Whether it is only a place to switch something on. */
  readonly isOff?: boolean;
  /** Whether it is beside the text: a region, a control, a limit. */
  readonly isAside?: boolean;
  /** Whether it belongs to the value. */
  readonly isValue?: boolean;
}

/** A part of a finished text: fixed, or with the user's characters. */
export interface PlacedText {
  readonly text: string;
  /** Index of the place; absent for fixed text. */
  readonly place?: number;
}

/** How a kind is drawn in the studio. It ships to no page. */
export interface SpecimenRenderer<P extends Plan = Plan, B extends TextState = TextState> {
  /** A finished text of the field in pieces, with the resting text if that differs. */
  sample(field: HydratedField<P, B>): readonly Piece[];
  /**
   * A function that returns whether a character of a display is the user's. Called from left to right.
   * Default: all are.
   */
  isUsers?(plan: P, body: B): (character: string, offset: number) => boolean;
  /** Number of the user's characters before the value that are no part of it. */
  lead?(body: B): number;
  /** The parts of its text in order, for kinds with several. */
  places?(plan: P): readonly PlacedText[];
  /** Indexes of the places that have content. */
  held?(body: B): readonly number[];
  /** In the studio, a stand-in for something outside that the kind works with. */
  readonly standIn?: 'code-sender';
  /** Whether its value is picked instead of typed. */
  readonly isPicked?: true;
  /** Whether the page shows bullets instead of the text. */
  conceals?(plan: P): boolean;
  /** Offsets before which the page draws a gap, between groups of boxes. */
  gaps?(plan: P): readonly number[];
  /** Options that show the same value differently, with a label. */
  other?(plan: P): { readonly entry: object; readonly label: string };
}
