// Texts of `screens/form/code-request.tsx`.

export const codeSent = 'Code sent.';
export const theSenderCould = 'The sender could not be reached. Try again.';
export const anotherCodeInS = (wait: number) => `Another code in ${wait} s`;
export const sendMeACode = 'Send me a code';
export const fillInFirst = (label: string) => `Fill in “${label}” first.`;
