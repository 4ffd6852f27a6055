// Texts of `screens/form/manners.tsx`.

export { simulatedServices } from '../later.ts';
export { never } from './when-sent.ts';

export const simulatedServicesThisBrowserOnly = 'Simulated services (this browser only)';
export const theyAnswer = 'They answer';
export const delay = 'Delay';
export const atOnce = 'at once,';
export const afterSeconds = (seconds: string) => `after ${seconds} s,`;
export const orderOfAnswers = 'Order of answers';
export const oldestFirst = 'oldest first,';
export const newestFirst = 'newest first,';
export const andFail = 'and fail';
export const failures = 'Failures';
export const everyOtherRequest = 'every other request';
export const always = 'always';
