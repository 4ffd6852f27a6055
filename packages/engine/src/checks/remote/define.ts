import { define } from '../contract.ts';
import { withOption } from '../with-others.ts';
import { patience } from './patience.ts';

export const remote = define({
  type: 'remote',
  options: {
    ask: {
      is: 'text',
      label: 'Path on this server',
      about: 'A path of the same server.',
      at: [],
      // Only paths on this server, whoever wrote the document.
      form: '^/(?![/\\\\])[\\w\\-.\\/]*$',
      expected: 'Expected a path on the same origin, e.g. "/api/passes".',
      suggestion: '/api/passes',
      needed: true,
    },
    timeout: { is: 'whole', label: 'Timeout (ms)', at: [], min: 100, max: 60_000, usual: patience },
    on: {
      is: 'choice',
      label: 'When to ask',
      at: [],
      choices: [
        ['leave', 'on blur'],
        ['pause', 'after a pause in typing (debounced)'],
      ],
      usual: 'leave',
    },
    with: withOption,
  },
  data: 'own',
  mutations: () => [],
});
