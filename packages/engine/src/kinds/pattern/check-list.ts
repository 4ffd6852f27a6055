import type { Cursor } from '../../faults/cursor.ts';
import { say } from '../../faults/say.ts';
import { mostCells, parseNotation } from '../editing/notation.ts';
import { planPlainly } from './define.ts';
import { faults } from './faults.ts';
import { neverUsed } from './in-use.ts';

/** Checks a list of patterns: what it cannot go with, its size, and that each of them can be in use. */
export function checkPatternList(at: Cursor, classes: Readonly<Record<string, string>>): void {
  const { pattern: patterns, positions } = at.value as {
    readonly pattern: string | readonly string[];
    readonly positions?: string;
  };
  if (typeof patterns === 'string') return;
  if (positions === 'fixed') {
    at.get('positions').fault(say(faults, 'list-with-positions'), {
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
    at.get('pattern').fault(say(faults, 'list-too-large', { count: cells, most: mostCells }));
    return;
  }
  for (const i of neverUsed(plans)) at.get('pattern').item(i).fault(say(faults, 'pattern-never-used'));
}
