import { part } from './control.ts';

/**
 * The control that reveals a concealed field, and conceals it again. `show` is called with whether it is
 * revealed.
 */
export function revealControl(show: (isRevealed: boolean) => void): HTMLButtonElement {
  const control = part('button', 'reveal');
  control.type = 'button';
  let isRevealed = false;
  const tell = (): void => {
    control.ariaPressed = String(isRevealed);
    control.textContent = isRevealed ? 'Hide' : 'Show';
    show(isRevealed);
  };
  control.addEventListener('click', () => {
    isRevealed = !isRevealed;
    tell();
  });
  tell();
  return control;
}
