import type { Texts } from '../../faults/say.ts';

/** Errors in the options of a pattern field; those in a pattern are in `faults/texts.ts`. */
export const faults = {
  'invalid-filler': 'Use one character that is not a letter, digit or space.',
  'raw-too-short':
    'Without separators this raw value is ambiguous, because a part of the pattern can be shorter. Use "text".',
  'list-with-positions':
    'A list of patterns cannot have fixed positions, because the pattern changes while typing.',
  'list-too-large': 'These patterns have {count} cells together. The maximum is {most}.',
  'pattern-never-used':
    'This pattern is never used, because an earlier pattern accepts the same. Move it up, or remove it.',
} as const satisfies Texts;
