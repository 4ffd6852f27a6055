// Texts of `model/rule-words.ts`.

export { onBlur, onSubmit, whileTyping } from '../shared.ts';
