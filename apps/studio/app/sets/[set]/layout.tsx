import type { ReactNode } from 'react';
import { NamedAddress } from '../../../screens/set/named-address.tsx';
import { isTrouble } from '../../../store/trouble.ts';
import { readSet } from '../read-set.ts';

interface Props {
  readonly params: Promise<{ readonly set: string }>;
  readonly children: ReactNode;
}

export default async function SetLayout({ params, children }: Props) {
  const set = await readSet((await params).set);
  return (
    <>
      {set && !isTrouble(set) && <NamedAddress setKey={set.key} id={set.id} />}
      {children}
    </>
  );
}
