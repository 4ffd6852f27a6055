import { Alive } from '../ui/alive.tsx';
import { Go } from '../ui/go.tsx';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-2xl">This sheet is not here.</h1>
      <p className="mt-2 text-faint">
        The set or field was deleted or renamed, or the address has a slip in it.
      </p>
      <Go className="word-button mt-6 inline-block" href="/">
        Back to the shelf
      </Go>
      <Alive />
    </main>
  );
}
