import { notFound } from 'next/navigation';
import { Catalogue } from '../../../../screens/texts/catalogue.tsx';
import { isTrouble } from '../../../../store/trouble.ts';
import { Trouble } from '../../../open.tsx';
import { readSet } from '../../read-set.ts';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Texts' };

interface Props {
  readonly params: Promise<{ readonly set: string }>;
}

/** Every text of a set, in every language it has. */
export default async function TextsPage({ params }: Props) {
  const set = await readSet((await params).set);
  if (!set) notFound();
  if (isTrouble(set)) return <Trouble message={set.message} />;
  return <Catalogue stored={set} />;
}
