import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const app = fileURLToPath(new URL('../apps/studio/app', import.meta.url));

/** Where the demo shows a page that exists for each set, field or form. */
const shown: Readonly<Record<string, string>> = { set: 'ridge-huts', field: 'warden', form: 'booking' };

/** The routes of all pages as Next.js has them, for example `/sets/[set]/trials`. */
export const routes: readonly string[] = readdirSync(app, { recursive: true, encoding: 'utf8' })
  .filter((path) => /(?:^|[\\/])page\.tsx$/.test(path))
  .map((path) => `/${path.replace(/[\\/]?page\.tsx$/, '').replaceAll('\\', '/')}`)
  .sort();

/** An address of each page of the studio, in the demo. */
export const pages: readonly string[] = routes.map((route) =>
  route.replace(/\[(\w+)\]/g, (_, name: string) => shown[name] ?? name),
);
