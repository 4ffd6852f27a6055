import type { Metadata } from 'next';
import { Glossary } from '../../screens/glossary/glossary.tsx';

export const metadata: Metadata = { title: 'Glossary' };

export default function Page() {
  return <Glossary />;
}
