import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type ComponentType, lazy } from 'react';
import { prerender } from 'react-dom/static';
import { expect, test, vi } from 'vitest';
import * as fixture from '../../../../packages/engine/src/kinds/tally.fixture.ts';
import { KindsProvider } from '../../field/kinds-provider.tsx';
import { sampleOf } from '../../model/sample.ts';
import { Desk } from '../desk/desk.tsx';
import { chosen, optionsFor, withOption } from '../desk/options.ts';

// Outside of Next.js its own version of this renders nothing.
vi.mock('next/dynamic', () => ({
  default: (load: () => Promise<ComponentType>) => lazy(async () => ({ default: await load() })),
}));
vi.mock('next/navigation', () => ({ useRouter: () => ({ push: () => undefined }) }));

// The fixture adds its kind to the types of the sources; the studio sees those of the built packages.
const document = fixture.document as unknown as SetDocument;
const definition = fixture.definition as unknown as FieldDocument;

/**
 * The kind made in `packages/engine/src/kinds/tally.fixture.ts`, on a desk: nothing of the studio knows it.
 */
const kinds = { tally: fixture.entry };

test('a desk draws an unknown kind: specimen, live field, rules', async () => {
  // Waits for the parts of the page that are loaded later.
  const { prelude } = await prerender(
    <KindsProvider value={kinds}>
      <Desk stored={{ key: 's_1', id: 'huts', generation: 'g_1', revision: 1, document }} fieldId="guests" />
    </KindsProvider>,
  );
  const html = await new Response(prelude).text();
  const text = html.replace(/<!-- -->/g, '').replace(/<[^>]+>/g, ' ');
  expect(text.replace(/\s/g, '')).toContain('IIIII⎵II');
  expect(text).toMatch(/strokes/);
  expect(html).toMatch(/<input[^>]*name="guests"/);
});

test('its options are edited from their description alone', () => {
  const [most] = optionsFor(definition, 'strokes', kinds);
  expect(most).toMatchObject({ key: 'most', is: 'number', min: 1, max: 50 });
  expect(chosen(definition, most!)).toBe(7);
  const wider = withOption(definition, most!, 20, kinds);
  expect(wider.entry).toEqual({ most: 20 });
  expect(sampleOf(wider, document, kinds)).toMatchObject([{ text: 'IIIII II', caption: 'strokes' }]);
});
