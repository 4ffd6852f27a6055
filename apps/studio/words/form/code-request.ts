// Texts of `screens/form/code-request.tsx`.

export const codeSent = 'Code sent.';
export const theSenderCould = 'The sender could not be reached. Try again.';
export const anotherCodeInS = (wait: number) => `Another code in ${wait} s`;
export const sendMeACode = 'Send me a code';
export const fillInFirst = (label: string) => `Fill in “${label}” first.`;
export const messageWithCode = (code: string) => `${code} is your code.`;
export const nothingChecksIt = (path: string) =>
  `No rule of this field checks the code: every complete one passes. A server check with the path ${path} checks it.`;
