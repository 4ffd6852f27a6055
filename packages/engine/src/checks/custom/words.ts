import type { WordsOf } from '../words-of.ts';

export const custom: WordsOf<'custom'> = {
  starts: () => [
    {
      id: 'own',
      label: 'own code says so',
      check: { type: 'custom', code: 'export default ({ value }) => {\n  // Nothing passes; { code: "custom-code" } does not.\n};\n' },
      isApart: true,
    },
  ], // biome-ignore format: the code in one piece
  inWords: () => 'as own code says',
  codeOf: () => 'no-match',
  editor: 'code',
};
