import type { HydratedField } from '@arbeit/engine/field';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import type { CustomText, ShapeProblem } from '@arbeit/engine/kinds/custom';
import { graphemes } from '@arbeit/engine/values';

/** Largest number of lines shown. */
const mostSteps = 10;

/** What a field with a custom format shows for the first character of a sample, the first two, and so on. */
export function growing(
  field: HydratedField,
  kinds: KindTable,
): readonly {
  readonly content: string;
  readonly body: CustomText;
  readonly problem: ShapeProblem | undefined;
}[] {
  const { kind, plan } = field;
  const pieces = kindIn(kinds, plan.kind).draw.sample(field);
  const sample = graphemes(
    pieces
      .filter(({ isValue }) => isValue)
      .map(({ text }) => text)
      .join(''),
  );
  return sample.slice(0, mostSteps).map((_, i) => {
    const content = sample.slice(0, i + 1).join('');
    // Fields whose kind has a format have such states.
    const body = kind.parse(plan, content).body as CustomText;
    return { content, body, problem: body.problem };
  });
}
