import { AliveMarker } from '../ui/alive-marker.tsx';
import { Link } from '../ui/link.tsx';
import * as words from '../words/app/not-found.ts';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-2xl">{words.pageNotFound}</h1>
      <p className="mt-2 text-faint">{words.theSetOrFieldMay}</p>
      <Link className="word-button mt-6 inline-block" href="/">
        {words.backToTheShelf}
      </Link>
      <AliveMarker />
    </main>
  );
}
