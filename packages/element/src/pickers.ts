import { type Picker, pickerOf, pickerStyles } from '@arbeit/dom';
import { part, type Renderer } from './control.ts';
import { line } from './line.ts';

/** Styles around a line with a picker, beside those of every element. */
const sheet = `
[part~=with-picker]{display:flex;flex:1;min-inline-size:0;align-items:center;gap:var(--arbeit-gap,.25em)}
:is([part~=opener],[part~=turn],[part~=day],[part~=search]):focus-visible{outline:2px solid var(--_accent);outline-offset:1px}
${pickerStyles}`;

/**
 * Draws a line with a button beside it that opens a calendar or a list of regions, for fields that have one.
 * Pass it to `defineFields`, with the pickers that the fields need.
 *
 * @example
 * defineFields([pass], { drawings: [pickers({ calendar, 'region-list': regionList })] });
 */
export const pickers =
  (table: Readonly<Record<string, Picker>>): Renderer =>
  (store, attributes, options) => {
    const { kind, plan } = store.field;
    if (!kind.adornments?.(plan)?.some((name) => Object.hasOwn(table, name))) return undefined;
    const control = line(store, attributes, options);
    if (!control) return undefined;
    const element = part('span', 'with-picker');
    const place = part('span', 'picker');
    place.dataset.arbeit = 'picker';
    element.append(control.element, place);
    return {
      ...control,
      element,
      sheet,
      bind(host) {
        const ends = [control.bind(host), pickerOf(table)(store, options)(place)];
        return () => {
          for (const end of ends) end?.();
        };
      },
      disable(isDisabled) {
        control.disable(isDisabled);
        for (const button of place.querySelectorAll('button')) button.disabled = isDisabled;
      },
    };
  };
