import type { Wording } from '../../rules/messages.ts';

export const wording: Wording = { 'not-allowed': 'Only {wanted} can be used here.' };
