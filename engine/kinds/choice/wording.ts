import type { Wording } from '../../rules/messages.ts';

/** Nothing is filled in here. */
export const wording: Wording = { required: 'Please choose one.' };
