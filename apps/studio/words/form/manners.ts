// Texts of `screens/form/manners.tsx`.

export { simulatedServices } from '../later.ts';
export { never } from './shared.ts';

export const simulatedServicesThisBrowserOnly = 'Simulated services (this browser only)';
export const delay = 'Delay';
export const failures = 'Failures';
export const everyOtherRequest = 'every other request';
export const always = 'always';
export const orderOfAnswers = 'Order of answers';
export const oldestFirst = 'oldest first';
export const newestFirst = 'newest first';
export const none = 'none';
