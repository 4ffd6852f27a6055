import { availableParallelism } from 'node:os';
import { parseArgs } from 'node:util';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { buildPackages } from './packages.mjs';

// Random events in random fields of every kind, with all laws after each:
// npm run events -- --events 10000000 --seed 7
// A law that is broken ends it with the seed, the field and the shortest tape that was found.
const dist = '../packages/engine/dist';
const today = '2027-02-10';

/** Random tapes of each kind in turn; `told` receives the number of events after each batch. */
async function walkOn({ seed, events }, told) {
  const { default: fc } = await import('fast-check');
  const [{ fieldOf, sketch, sketchOfList, actions, walk }, { actionsFor, compiledOf, kindNames, sketchOf }] =
    await Promise.all([import(`${dist}/prove/arbitraries.js`), import(`${dist}/prove/kinds.js`)]);
  const { subjectOf } = await import(`${dist}/prove/law-subject.js`);
  const { breachIn } = await import(`${dist}/prove/laws-of-states.js`);
  const { breachAt } = await import(`${dist}/prove/laws-of-steps.js`);
  const { kinds } = await import(`${dist}/kinds/index.js`);
  const sorts = [
    ...kindNames.map((kind) => ({ kind, from: sketchOf(kind), tape: actionsFor(kind), made: compiledOf })),
    { kind: 'pattern', from: sketch, tape: actions, made: fieldOf },
    { kind: 'pattern (list)', from: sketchOfList, tape: actions, made: fieldOf },
  ];
  let count = 0;
  for (let batch = 0; count < events; batch++) {
    const { kind, from, tape, made } = sorts[batch % sorts.length];
    let own = 0;
    const holds = fc.property(from, tape, (drawn, actions) => {
      const subject = subjectOf(made(drawn), kinds, today);
      const memory = new Map();
      for (const moment of walk(subject.field, actions)) {
        own++;
        const breach = breachAt(subject, moment, memory, { isAll: true }) ?? breachIn(subject, moment.after);
        if (breach) throw new Error(JSON.stringify(breach));
      }
    });
    const result = fc.check(holds, { numRuns: 100, seed: seed + batch });
    count += own;
    told({ kind, events: own });
    if (result.failed) {
      const law = result.errorInstance?.message ?? '';
      return `${kind}, seed ${seed + batch}: ${law}\n${fc.defaultReportMessage(result)}`;
    }
  }
  return undefined;
}

if (isMainThread) {
  const { values } = parseArgs({
    options: {
      events: { type: 'string', default: '1000000' },
      seed: { type: 'string', default: String(Math.floor(Math.random() * 1e9)) },
    },
  });
  if (!buildPackages()) process.exit(1);
  const [events, seed] = [Number(values.events), Number(values.seed)];
  const threads = Math.max(1, availableParallelism());
  const byKind = {};
  let count = 0;
  process.stdout.write(`${events} events, seed ${seed}, ${threads} threads\n`);
  const failures = await Promise.all(
    Array.from(
      { length: threads },
      (_, i) =>
        new Promise((resolve, reject) => {
          const share = { seed: seed + i * 1_000_000, events: Math.ceil(events / threads) };
          const worker = new Worker(new URL(import.meta.url), { workerData: share });
          worker.on('error', reject);
          worker.on('message', (told) => {
            if ('kind' in told) {
              byKind[told.kind] = (byKind[told.kind] ?? 0) + told.events;
              // A log gets a line per half million instead of a figure that counts up.
              const isLine = Math.floor((count + told.events) / 500_000) > Math.floor(count / 500_000);
              count += told.events;
              if (process.stdout.isTTY) process.stdout.write(`\r${count}`);
              else if (isLine) process.stdout.write(`${count} events so far\n`);
            } else {
              if (told.failure) process.stdout.write(`\n${told.failure}\n`);
              resolve(told.failure);
            }
          });
        }),
    ),
  );
  const broken = failures.filter((failure) => failure !== undefined);
  const told = Object.entries(byKind).map(([kind, events]) => `${kind} ${events}`);
  process.stdout.write(`\n${count} events: ${told.join(', ')}\n`);
  process.stdout.write(broken.length ? 'A law is broken.\n' : 'No law is broken.\n');
  process.exit(broken.length ? 1 : 0);
} else {
  const failure = await walkOn(workerData, (told) => parentPort.postMessage(told));
  parentPort.postMessage({ failure });
}
