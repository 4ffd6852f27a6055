import { part } from './control.ts';

/**
 * The control that reveals a concealed field, and conceals it again. Its words are those of the field
 * (`CompiledField.words`). `show` is called with whether it is revealed.
 */
export function revealControl(
  { reveal = '', conceal = '' }: Readonly<Record<string, string>>,
  show: (isRevealed: boolean) => void,
): HTMLButtonElement {
  const control = part('button', 'reveal');
  control.type = 'button';
  let isRevealed = false;
  const tell = (): void => {
    control.textContent = isRevealed ? conceal : reveal;
    show(isRevealed);
  };
  control.addEventListener('click', () => {
    isRevealed = !isRevealed;
    tell();
  });
  tell();
  return control;
}
