import { shape, text } from '../../options/shapes.ts';
import { define } from '../contract.ts';
import { readWith, schemaOfWith } from '../with-others.ts';

/** How long a server is waited for, in milliseconds, where a document says nothing. */
const patience = 4000;

export const remote = define<{
  readonly type: 'remote';
  readonly ask: string;
  readonly timeout?: number;
  readonly on?: 'leave' | 'pause';
  readonly with?: readonly string[];
}>({
  type: 'remote',
  members: { ask: 'needed', timeout: 'optional', on: 'optional', with: 'optional' },
  read(at) {
    if (at.has('ask')) {
      const path = at.get('ask').string();
      // Of this server alone, whoever wrote the document.
      if (path !== undefined && !/^\/(?![/\\])[\w\-./]*$/.test(path))
        at.get('ask').fault('Expected a path of this server, such as "/api/passes".', {
          suggestion: '/api/passes',
        });
    }
    if (at.has('timeout')) at.get('timeout').wholeFrom(100, 60_000);
    if (at.has('on')) at.get('on').oneOf(['leave', 'pause']);
    readWith(at);
  },
  schemas: [
    shape(
      {
        type: { const: 'remote' },
        ask: { ...text, pattern: '^/(?![/\\\\])[\\w\\-./]*$', description: 'A path of the same server.' },
        timeout: { type: 'integer', minimum: 100, maximum: 60_000, default: patience },
        on: { enum: ['leave', 'pause'], default: 'leave' },
        with: schemaOfWith,
      },
      ['ask'],
    ),
  ],
  data: 'own',
  compile: ({ type, ask, timeout = patience, on = 'leave', with: others = [] }) => ({
    type,
    ask,
    timeout,
    on,
    with: others,
  }),
  mutations: () => [],
});
