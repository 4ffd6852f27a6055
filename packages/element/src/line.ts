import { bindWithin } from '@arbeit/dom';
import type { TextPlan } from '@arbeit/engine/kinds/text';
import { part, planOf, type Renderer, setAttributes } from './control.ts';
import { revealControl } from './reveal.ts';

/**
 * A line of text, or several. Guide text is drawn behind it and is never part of the value. A concealed text
 * has a control beside it that reveals it.
 */
export const line: Renderer = (store, attributes) => {
  const { field } = store;
  const { lines = 1, conceal = false } = planOf<TextPlan>(field);
  const input = part(lines > 1 ? 'textarea' : 'input', 'input') as HTMLInputElement | HTMLTextAreaElement;
  setAttributes(input, lines > 1 ? { ...attributes, rows: String(lines) } : attributes);
  // The text of a control when it is bound counts as typed.
  input.value = store.state().body.display;
  const element = part('span', 'line');
  const guide = part('span', 'ghost');
  guide.ariaHidden = 'true';
  const behind = document.createElement('span');
  const ghost = document.createTextNode('');
  guide.append(behind, ghost);
  if (field.kind.guideText) element.append(guide);
  element.append(input);
  if (conceal) {
    element.part.add('concealed');
    element.append(
      revealControl(field.words ?? {}, (isRevealed) => {
        (input as HTMLInputElement).type = isRevealed ? 'text' : 'password';
      }),
    );
  }
  return {
    element,
    named: input,
    bind: (host) => bindWithin(input, store, host),
    draw() {
      const { body } = store.state();
      behind.textContent = body.display;
      ghost.data = field.kind.guideText?.(field.plan, body) ?? '';
    },
    disable(isDisabled) {
      input.disabled = isDisabled;
    },
  };
};
