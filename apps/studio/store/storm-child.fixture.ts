import { type StormServer, stormServer } from './storm-server.fixture.ts';

/** The process of a `StormServer`: answers messages with the id of the question. */
const [where, migrations] = process.argv.slice(2);
const opening = stormServer(where!, migrations!);
opening.then(
  () => process.send?.({ id: 0 }),
  (error: Error) => process.send?.({ id: 0, error: error.message }),
);

interface Question {
  readonly id: number;
  readonly ask: keyof StormServer;
  readonly args: readonly unknown[];
}

process.on('message', async ({ id, ask, args }: Question) => {
  try {
    const method = (await opening)[ask] as (...args: readonly unknown[]) => Promise<unknown>;
    process.send?.({ id, answer: await method(...args) });
  } catch (error) {
    process.send?.({ id, error: (error as Error).message });
  }
});
// The test has ended.
process.on('disconnect', () => process.exit(0));
