import { bind, createStore } from '@arbeit/dom';
import { compileField } from '@arbeit/engine/document';
import { evaluate } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';

/**
 * The page the browser measurement runs on: a plain input, a bound one, and any number of other bound ones.
 */

const field = compileField(
  {
    id: 'phone',
    kind: 'pattern',
    label: 'Phone',
    entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' },
    rules: [{ id: 'needed', check: { type: 'required' } }],
  },
  { locale: 'en-GB' },
  kinds,
);

const others = Number(new URLSearchParams(location.search).get('others') ?? 0);
const add = (id: string): HTMLInputElement => {
  const input = document.createElement('input');
  input.id = id;
  document.body.append(input);
  return input;
};
add('plain');
bind(add('bound'), createStore(field, evaluate));
for (let i = 0; i < others; i++) bind(add(`other-${i}`), createStore(field, evaluate));

/** Milliseconds from the key going down until the last listener of its `input` event, by input. */
const times: Record<string, number[]> = { plain: [], bound: [] };
let from = 0;
window.addEventListener(
  'keydown',
  () => {
    from = performance.now();
  },
  true,
);
window.addEventListener('input', (event) => {
  times[(event.target as HTMLInputElement).id]?.push(performance.now() - from);
});
Object.assign(window, { times });
