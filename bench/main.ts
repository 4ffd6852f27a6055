import { answerIfAsked, measuredApart } from './apart.ts';
import { drawnAtKey, inBrowser } from './browser.ts';
import { formKeystrokes } from './forms.ts';
import { growth } from './growth.ts';
import { handedOffSizes } from './handed-off.ts';
import { keystrokes } from './keystroke.ts';
import { kindKeystrokes } from './kinds.ts';
import { memoryGrowth } from './memory.ts';
import { sizes } from './size.ts';
import { readingRatio, savingTime } from './store.ts';
import { studioOpened } from './studio.ts';
import { auditSpeed, demoTrials } from './trials.ts';

if (answerIfAsked()) process.exit(0);

// Everything in one run, so that each ratio has both its sides from the same machine at the same time.
const root = process.env.ARBEIT_ROOT!;

interface Line {
  readonly what: string;
  readonly found: string;
  readonly limit: string;
  readonly good: boolean | null;
}

const lines: Line[] = [];
/** Adds lines, and prints them as they come: a run takes long. */
const add = (...all: readonly Line[]): void => {
  for (const { found, what } of all) process.stderr.write(`${found.padStart(12)}  ${what}\n`);
  lines.push(...all);
};
for (const { what, ratio, limit } of keystrokes())
  add({
    what: `${what}, against by hand`,
    found: `× ${ratio.toFixed(2)}`,
    limit: limit === null ? '' : `× ${limit}`,
    good: limit === null ? null : ratio <= limit,
  });
for (const { what, ratio, limit } of measuredApart())
  add({
    what,
    found: `× ${ratio.toFixed(2)}`,
    limit: limit === null ? '' : `× ${limit}`,
    good: limit === null ? null : ratio <= limit,
  });
for (const { what, ratio, limit } of formKeystrokes())
  add({
    what,
    found: `× ${ratio.toFixed(2)}`,
    limit: `× ${limit}`,
    good: limit === null || ratio <= limit,
  });
for (const { what, ratio, limit } of kindKeystrokes())
  if (limit !== null)
    add({
      what: `${what}, after every other kind`,
      found: `× ${ratio.toFixed(2)}`,
      limit: '',
      good: null,
    });
const { ratio: reading, whole } = readingRatio();
add({
  what: reading.what,
  found: `× ${reading.ratio.toFixed(2)}`,
  limit: `× ${reading.limit}`,
  good: reading.limit === null || reading.ratio <= reading.limit,
});
for (const { what, worst, milliseconds, limit } of [...growth(), whole, await savingTime()])
  add({
    what: worst ? `${what}, the dearest: ${worst}` : what,
    found: `${milliseconds.toFixed(3)} ms`,
    limit: `${limit} ms`,
    good: milliseconds <= limit,
  });
const { first, warm, besides } = await demoTrials(new URL(root).pathname);
add(
  {
    what: 'all trials of the demo, the first time, compiling the set among it',
    found: `${first.toFixed(0)} ms`,
    limit: '200 ms',
    good: first <= 200,
  },
  {
    what: `the same once it is warm (${(besides * 100).toFixed(0)} % of it is reading tapes, not the engine)`,
    found: `${warm.toFixed(1)} ms`,
    limit: '200 ms',
    good: warm <= 200,
  },
);
const { perSecond, bare } = auditSpeed(new URL(root).pathname, 'mobile');
add({
  what: `events a second and core in the audit of the mobile number (the engine alone, key by key, carries out ${bare.toFixed(1)} times as many)`,
  found: Math.round(perSecond).toLocaleString('en-GB'),
  limit: '100,000',
  good: perSecond >= 100_000,
});
for (const { what, plain, bound, limit } of await inBrowser(root))
  add({
    what: `${what}, in Chromium, added to a plain input’s ${plain.toFixed(3)} ms`,
    found: `${(bound - plain).toFixed(3)} ms`,
    limit: `${limit} ms`,
    good: bound - plain <= limit,
  });
const { requests, ratio: memory, limit: mostMemory, quarters } = await memoryGrowth(root);
add({
  what: `memory of the server after ${requests.toLocaleString('en-GB')} requests, against after a quarter of them (${((quarters.at(-1) ?? 0) / 1e6).toFixed(0)} MB)`,
  found: `× ${memory.toFixed(2)}`,
  limit: `× ${mostMemory}`,
  good: memory <= mostMemory,
});
const { drawn, limit: mostDrawn } = await drawnAtKey(root);
add({
  what: 'fields of 1,000 that React draws anew at a key',
  found: String(drawn),
  limit: String(mostDrawn),
  good: drawn <= mostDrawn,
});
for (const { what, milliseconds, limit, empty } of await studioOpened(root))
  add({
    what: `${what}, alive, nothing in the cache (an empty page: ${empty.toFixed(0)} ms, × ${(milliseconds / empty).toFixed(0)})`,
    found: `${milliseconds.toFixed(0)} ms`,
    limit: `${limit} ms`,
    good: milliseconds <= limit,
  });
for (const { what, bytes, limit } of [...(await sizes(root)), ...(await handedOffSizes(root))])
  add({
    what: `${what}: minified, gzipped`,
    found: `${bytes} bytes`,
    limit: limit === null ? '' : String(limit),
    good: limit === null ? null : bytes <= limit,
  });

const width = Math.max(...lines.map((line) => line.what.length));
process.stdout.write(`\n${'measured'.padEnd(width)}  ${'found'.padStart(12)}  ${'at most'.padStart(8)}\n`);
for (const { what, found, limit, good } of lines)
  process.stdout.write(
    `${what.padEnd(width)}  ${found.padStart(12)}  ${limit.padStart(8)}${good === false ? '  OVER' : ''}\n`,
  );
process.exitCode = lines.some((line) => line.good === false) ? 1 : 0;
