import type { Wording } from '../../rules/messages.ts';

export const wording: Wording = { required: 'Please answer this.' };
