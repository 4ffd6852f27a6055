import type { ReactNode } from 'react';
import { NamedAddress } from '../../../screens/set/named-address.tsx';
import { isStoreError } from '../../../store/store-error.ts';
import { readSet } from '../read-set.ts';

interface Props {
  readonly params: Promise<{ readonly set: string }>;
  readonly children: ReactNode;
}

export default async function SetLayout({ params, children }: Props) {
  const set = await readSet((await params).set);
  return (
    <>
      {set && !isStoreError(set) && <NamedAddress setKey={set.key} id={set.id} />}
      {children}
    </>
  );
}
