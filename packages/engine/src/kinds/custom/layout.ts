import type { RunShape, Shaped } from '../../field/shape.ts';
import { graphemes } from '../../values/graphemes.ts';
import { taken } from '../editing/takes.ts';
import { bare, type CustomPlan, type CustomText, empty, type ShapeProblem } from './body.ts';
import { type Placed, placed, toldApart } from './placed.ts';

/** Formats contents with a developer's code. */
export interface Layout {
  /** The content as the code shows it; as typed if that is not known yet or cannot be shown. */
  lay(plan: CustomPlan, characters: readonly string[]): CustomText;
  /**
   * The fixed text at the start of every display, if it contains characters that the field accepts. Pastes
   * need it. Computed from a sample; `undefined` if not known yet.
   */
  leadOf(plan: CustomPlan): readonly string[] | undefined;
}

/** The typed value a function answered, or its problem. */
function valueIn(
  { value }: Exclude<Shaped, { broken: string }>,
  content: string,
): { value: string | null } | ShapeProblem['what'] {
  if (value === undefined) return { value: content };
  if (value !== null && typeof value !== 'string') return 'type';
  return value === '' ? 'empty' : { value };
}

/** Printable ASCII characters. */
const printable = /*#__PURE__*/ Array.from({ length: 95 }, (_, i) => String.fromCharCode(i + 32));

const alphabets = new WeakMap<CustomPlan, readonly string[]>();

/** ASCII characters the field accepts unchanged. Used for samples and to build differing contents. */
export function alphabetOf(plan: CustomPlan): readonly string[] {
  const found = alphabets.get(plan) ?? printable.filter((c) => taken(plan.takes, c) === c);
  alphabets.set(plan, found);
  return found;
}

/** A sample content, to find the fixed text in front. */
export function sampleOf(plan: CustomPlan): readonly string[] {
  const own = alphabetOf(plan);
  return Array.from({ length: Math.max(1, plan.least) }, (_, i) => own[i % own.length] ?? '0');
}

/**
 * A content of the same length that differs at every character; `undefined` if the field takes only one
 * character.
 */
function twinOf(plan: CustomPlan, characters: readonly string[]): readonly string[] | undefined {
  const own = alphabetOf(plan);
  // Otherwise the same text is used for both values.
  return own.length > 1 ? characters.map((c) => own[(own.indexOf(c) + 1) % own.length]!) : undefined;
}

/** A layout from the function that runs the code. */
export function layoutBy(run: RunShape): Layout {
  /**
   * The offsets of the user's characters, found by laying out a different content too; `undefined` if not
   * known yet.
   */
  const apart = (
    plan: CustomPlan,
    characters: readonly string[],
    { display, places }: Placed,
  ): readonly number[] | undefined => {
    const twin = twinOf(plan, characters);
    if (!twin) return places;
    const other = run(plan.code, twin.join(''));
    if (!other) return undefined;
    const shown = 'shown' in other && typeof other.shown === 'string' ? other.shown : '';
    return toldApart(display, characters, shown, twin) ?? places;
  };
  const lay: Layout['lay'] = (plan, characters) => {
    if (characters.length === 0) return empty;
    const content = characters.join('');
    const shaped = run(plan.code, content);
    if (!shaped) return bare(characters, 'waiting');
    const broken = (problem: ShapeProblem): CustomText => bare(characters, 'broken', problem);
    if ('broken' in shaped) {
      const { broken: about, line } = shaped;
      return broken({ of: 'run', what: 'type', about, ...(line === undefined ? {} : { line }) });
    }
    const at = placed(shaped.shown, characters);
    if (!('display' in at)) return broken({ of: 'text', what: at[0], about: at[1] });
    const answered = valueIn(shaped, content);
    if (typeof answered === 'string')
      return broken({ of: 'value', what: answered, about: typeof shaped.value });
    const places = at.isAmbiguous ? apart(plan, characters, at) : at.places;
    if (!places) return bare(characters, 'waiting');
    const complete = characters.length >= plan.least && answered.value !== null;
    const value = complete ? answered.value : null;
    return { content, display: at.display, complete, characters, places, value, is: 'shaped' };
  };
  return {
    lay,
    leadOf(plan) {
      const { display, places, is } = lay(plan, sampleOf(plan));
      if (is === 'waiting') return undefined;
      const lead = graphemes(display.slice(0, places[0]));
      return lead.some((c) => taken(plan.takes, c) !== undefined) ? lead : [];
    },
  };
}
