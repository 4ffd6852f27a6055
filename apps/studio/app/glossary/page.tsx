import type { Metadata } from 'next';
import { Glossary } from '../../screens/glossary/glossary.tsx';
import * as words from '../../words/app/glossary-page.ts';

export const metadata: Metadata = { title: words.glossary };

export default function Page() {
  return <Glossary />;
}
