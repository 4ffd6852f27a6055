import { oneTimeCode as defineOneTimeCode, pin as definePin } from './define.ts';
import { boxes as run } from './run.ts';
import { drawing as draw } from './sample.ts';

export const pin = { run, define: definePin, draw, ships: 'boxes' };
export const oneTimeCode = { run, define: defineOneTimeCode, draw, ships: 'boxes' };
