/** The path of the message sender’s answer to a code. */
export const codePath = '/api/services/codes/check';
