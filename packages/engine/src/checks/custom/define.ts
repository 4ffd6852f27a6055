import { most } from '../../faults/limits.ts';
import type { Spot } from '../../faults/spot.ts';
import { filled, shape } from '../../options/shapes.ts';
import { define } from '../contract.ts';
import { readWith, schemaOfWith } from '../with-others.ts';

/** What else is wrong with code shows where it runs. */
function readCode(at: Spot): void {
  const code = at.filled(most.code);
  if (code === undefined) return;
  const exported = code.match(/^[^\S\n\r\u2028\u2029]*export\s+default\s/gm)?.length ?? 0;
  if (exported !== 1)
    at.fault('The code has one function behind "export default", at the start of a line.', {
      suggestion: 'export default ({ value }) => {}',
    });
}

export const custom = define<{
  readonly type: 'custom';
  readonly code: string;
  readonly with?: readonly string[];
}>({
  type: 'custom',
  members: { code: 'needed', with: 'optional' },
  read(at) {
    if (at.has('code')) readCode(at.get('code'));
    readWith(at);
  },
  schemas: [
    shape({ type: { const: 'custom' }, code: { ...filled, maxLength: most.code }, with: schemaOfWith }, [
      'code',
    ]),
  ],
  data: 'own',
  compile: ({ type, code, with: others = [] }) => ({ type, code, with: others }),
  mutations: () => [],
});
