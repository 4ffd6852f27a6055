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
      expected: 'Expected a path of this server, such as "/api/passes".',
      suggestion: '/api/passes',
      needed: true,
    },
    timeout: { is: 'whole', label: 'Waits for, in ms', at: [], min: 100, max: 60_000, usual: patience },
    on: {
      is: 'choice',
      label: 'Asked',
      at: [],
      choices: [
        ['leave', 'on leaving'],
        ['pause', 'on a pause in typing'],
      ],
      usual: 'leave',
    },
    with: withOption,
  },
  data: 'own',
  mutations: () => [],
});
