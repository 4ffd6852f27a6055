import { HydrationMarker } from '../ui/hydration-marker.tsx';
import { Link } from '../ui/link.tsx';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-2xl">Page not found</h1>
      <p className="mt-2 text-faint">
        The set or field may have been deleted or renamed, or the URL is wrong.
      </p>
      <Link className="word-button mt-6 inline-block" href="/">
        Back to the shelf
      </Link>
      <HydrationMarker />
    </main>
  );
}
