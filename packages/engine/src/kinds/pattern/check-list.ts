import type { Cursor } from '../../faults/cursor.ts';
import { mostCells, parseNotation } from '../editing/notation.ts';
import { planPlainly } from './define.ts';
import { neverUsed } from './in-use.ts';

/** Checks a list of patterns: what it cannot go with, its size, and that each of them can be in use. */
export function checkPatternList(at: Cursor, classes: Readonly<Record<string, string>>): void {
  const { pattern: patterns, positions } = at.value as {
    readonly pattern: string | readonly string[];
    readonly positions?: string;
  };
  if (typeof patterns === 'string') return;
  if (positions === 'fixed') {
    at.get('positions').fault('A list of patterns closes up: its text changes shape as one types.', {
      suggestion: 'flow',
    });
    return;
  }
  const parsed = patterns.map((text) => parseNotation(text, Object.keys(classes)));
  // Without the classes of the document nothing can be told of a pattern that uses one.
  if (parsed.some(({ faults }) => faults.length > 0)) return;
  const plans = parsed.map(({ nodes }) => planPlainly(nodes, classes));
  const cells = plans.reduce((sum, plan) => sum + plan.cells.length, 0);
  if (cells > mostCells) {
    at.get('pattern').fault(`These patterns have ${cells} cells; ${mostCells} are the most.`);
    return;
  }
  for (const i of neverUsed(plans))
    at.get('pattern')
      .item(i)
      .fault(
        'This pattern can never be in use: whatever it accepts, a pattern before it accepts too. Move it up, or remove it.',
      );
}
