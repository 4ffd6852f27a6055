import { fork } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

// Six processes try to lock one folder at the same time, in rounds, each with another stale lock in it.
// Prints how many succeeded in total; there must be one per round.
const [, , lock, folder, rounds, stale] = process.argv;

if (process.send) {
  const { lockFolder } = await import(lock);
  process.on('message', async () => {
    let held;
    try {
      held = await lockFolder(folder);
    } catch (error) {
      process.send({ held: false, fine: error.name === 'FolderInUse' });
      return;
    }
    process.send({ held: true, fine: true });
    process.once('message', () => undefined);
    globalThis.held = held;
  });
  process.on('disconnect', () => process.exit(0));
} else {
  let holders = 0;
  const left = [undefined, stale, '}{', '', stale, null];
  for (let round = 0; round < Number(rounds); round++) {
    rmSync(folder, { recursive: true, force: true });
    const text = left[round % left.length];
    // null: not even the folder exists.
    if (text !== null) mkdirSync(folder, { recursive: true });
    if (typeof text === 'string') writeFileSync(join(folder, 'arbeit.lock'), text);
    const six = Array.from({ length: 6 }, () => fork(process.argv[1], process.argv.slice(2)));
    await Promise.all(six.map((child) => new Promise((up) => child.once('spawn', up))));
    const answers = six.map((child) => new Promise((done) => child.once('message', done)));
    for (const child of six) child.send('go');
    for (const { held, fine } of await Promise.all(answers)) {
      if (held) holders++;
      if (!fine) process.stderr.write('another error than that it is in use\n');
    }
    const gone = six.map((child) => new Promise((done) => child.once('exit', done)));
    for (const child of six) child.kill('SIGKILL');
    await Promise.all(gone);
  }
  process.stdout.write(JSON.stringify({ rounds: Number(rounds), holders }));
}
