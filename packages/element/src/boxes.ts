import { bindWithin, boxesOf, pressBoxes } from '@arbeit/dom';
import type { BoxesPlan } from '@arbeit/engine/kinds/boxes';
import { part, planOf, type Renderer, setAttributes } from './control.ts';
import { revealControl } from './reveal.ts';

/** Styles of the boxes, beside those of every element. */
const sheet = `
[part~=code]{display:inline-flex;flex-wrap:wrap;max-inline-size:100%;gap:.75em;align-items:center}
[part~=boxes]{position:relative;display:inline-block;min-inline-size:0}
[part~=row]{display:flex;gap:.75em}
[part~=group]{display:flex;min-inline-size:0;gap:.3em}
[part~=code] [part~=box]{flex:0 1 auto;inline-size:2em;min-inline-size:1ch;block-size:2.4em;display:grid;place-items:center;border:1px solid var(--_line)}
[part~=active]{outline:2px solid var(--_accent);outline-offset:-1px}
[part~=selected]{background:color-mix(in srgb,var(--_accent) 22%,transparent)}
:host([data-wrong]) [part~=code] [part~=box]{border-color:var(--_wrong)}
[part~=over]{position:absolute;inset:0;inline-size:100%;block-size:100%;margin:0;padding:0;border:0;background:none;color:transparent;caret-color:transparent}
[part~=over]::selection{background:none}
`;

/**
 * Draws PINs and codes as boxes over one real input. Pass it to `defineFields`.
 *
 * @example
 * defineFields([pass], { drawings: [boxes] });
 */
export const boxes: Renderer = (store, attributes) => {
  if (store.field.kind.control !== 'boxes') return undefined;
  const plan = planOf<BoxesPlan>(store.field) as BoxesPlan;
  const element = part('span', 'code');
  const row = part('span', 'row');
  row.ariaHidden = 'true';
  row.dir = String(attributes.dir ?? '');
  const drawn = plan.groups.flatMap((size) => {
    const group = part('span', 'group');
    const own = Array.from({ length: size }, () => {
      const box = part('span', 'box');
      box.dataset.box = '';
      return box;
    });
    group.append(...own);
    row.append(group);
    return own;
  });
  const input = part('input', 'over');
  setAttributes(input, attributes);
  input.value = store.state().body.display;
  const frame = part('span', 'boxes');
  frame.append(row, input);
  element.append(frame);
  let isRevealed = !plan.conceal;
  const draw = (): void => {
    input.type = isRevealed ? 'text' : 'password';
    for (const [at, { text, isActive, isSelected }] of boxesOf(store, !isRevealed).flat().entries()) {
      const box = drawn[at]!;
      box.textContent = text;
      box.part.toggle('active', isActive);
      box.part.toggle('selected', isSelected);
    }
  };
  if (plan.conceal)
    element.append(
      revealControl(store.field.words ?? {}, (now) => {
        isRevealed = now;
        draw();
      }),
    );
  return {
    element,
    named: input,
    sheet,
    bind(host) {
      const ends = [bindWithin(input, store, host), pressBoxes(input, store)];
      return () => {
        for (const end of ends) end();
      };
    },
    draw,
    disable(isDisabled) {
      input.disabled = isDisabled;
    },
  };
};
