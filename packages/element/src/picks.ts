import { bindPicks } from '@arbeit/dom';
import { fieldName, pickedValues } from '@arbeit/engine/field';
import type { ChoicePlan } from '@arbeit/engine/kinds/choice';
import { part, planOf, type Renderer, setAttributes } from './control.ts';

/** Styles of choices, beside those of every element. */
const sheet = `
[part~=options]{display:flex;flex-direction:column;gap:.35em}
[part~=options][data-draw=segments]{flex-direction:row;flex-wrap:wrap}
[part~=option]{display:inline-flex;gap:.5em;align-items:baseline;min-block-size:24px}
`;

/**
 * Draws choices as a list, radio buttons or checkboxes. Pass it to `defineFields`.
 *
 * @example
 * defineFields([pass], { drawings: [picks] });
 */
export const picks: Renderer = (store, attributes) => {
  const { field } = store;
  if (field.kind.control !== 'picks') return undefined;
  const { draw, options } = planOf<Omit<ChoicePlan, 'draw'> & { readonly draw: string }>(field);
  if (!draw || !options) return undefined;
  const { raw } = store.evaluation();
  if (draw === 'list') {
    const select = part('select', 'input');
    select.append(
      new Option(field.placeholder, ''),
      ...options.map(({ value, label }) => new Option(label, value, value === raw, value === raw)),
    );
    select.dataset.draw = draw;
    setAttributes(select, attributes);
    return {
      element: select,
      named: select,
      bind: (host) => bindPicks(select, store, { host }),
      disable(isDisabled) {
        select.disabled = isDisabled;
      },
    };
  }
  const group = part('div', 'options');
  group.dataset.draw = draw;
  setAttributes(group, attributes);
  const values = pickedValues(field, raw);
  const boxes = options.map(({ value, label }) => {
    const named = part('label', 'option');
    const box = part('input', 'box');
    const words = part('span', 'option-label');
    box.type = draw === 'tick' ? 'checkbox' : 'radio';
    box.name = fieldName(field);
    box.value = value;
    box.defaultChecked = values.includes(value);
    words.textContent = label;
    named.append(box, words);
    group.append(named);
    return box;
  });
  const disable = (isDisabled: boolean): void => {
    for (const box of boxes) box.disabled = isDisabled;
  };
  disable(field.html.disabled === true);
  return {
    element: group,
    named: group,
    isGroup: true,
    sheet,
    bind: (host) => bindPicks(group, store, { host }),
    disable,
    focused: () => boxes.find(({ checked }) => checked) ?? boxes[0],
  };
};
