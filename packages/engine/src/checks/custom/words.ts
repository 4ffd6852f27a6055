import type { WordsOf } from '../words-of.ts';

export const custom: WordsOf<'custom'> = {
  starts: () => [
    {
      id: 'own',
      label: 'Custom check (JavaScript)',
      check: { type: 'custom', code: 'export default ({ value }) => {\n  // Return nothing if the value passes, or { code: "custom-code" } if it fails.\n};\n' },
      isApart: true,
    },
  ], // biome-ignore format: the code in one piece
  inWords: () => 'passes custom check',
  codeOf: () => 'no-match',
  editor: 'code',
};
