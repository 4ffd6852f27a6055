import { typesInMenus, wordsOfCheck } from '@arbeit/engine/check-words';
import type { CheckDocument } from '@arbeit/engine/document';
import type { Definition } from '@arbeit/engine/kinds';

/** The rule that a menu offers to start with. */
export interface CheckStart {
  readonly id: string;
  readonly label: string;
  readonly check: CheckDocument;
  /** A line separates it from the rules before. */
  readonly isApart?: boolean;
}

/** The rules a field of a kind can begin with. Checks that make no sense for its values are left out. */
export const startsFor = ({ limits, pointless = [] }: Definition): readonly CheckStart[] =>
  typesInMenus()
    .filter((type) => !pointless.some((one) => one === type))
    // The starting definition is valid, which a test verifies.
    .flatMap((type) => wordsOfCheck(type).starts(limits) as readonly CheckStart[]);
