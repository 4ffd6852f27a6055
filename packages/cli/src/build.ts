import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { hasCustomCode } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import { parseTape } from '@arbeit/engine/tape';
import {
  type HandedFiles,
  handOff,
  type RunsCode,
  sourcesFrom,
  type TapeFile,
  type Use,
  uses,
} from '@arbeit/handoff/emit';
import { runsCustomCode } from './custom-code.ts';
import { load, loadDocument } from './files.ts';
import { type Output, report, saidOf } from './report.ts';
import { cliTexts } from './words.ts';

/**
 * `arbeit build`. Writes a hand-off into a folder, which is created if needed. Files of an earlier hand-off
 * that are gone now are deleted. Resolves to the exit code: 0 written, 2 something cannot be read or the
 * folder not written.
 */
export async function buildHandOff(
  path: string,
  tapePaths: readonly string[],
  {
    folder,
    wanted,
    languages,
    prefix,
    output,
  }: {
    readonly folder: string;
    readonly wanted: readonly string[] | undefined;
    /** Languages (BCP 47) beside that of the set. */
    readonly languages: readonly string[];
    /** What the names of elements begin with. */
    readonly prefix: string | undefined;
    readonly output: Output;
  },
): Promise<number> {
  const set = loadDocument(path, output);
  if (!set) return 2;
  const chosen = wanted?.flatMap((one) => one.split(',')).map((one) => one.trim());
  const unknown = chosen?.find((one) => !(uses as readonly string[]).includes(one));
  if (unknown !== undefined) {
    report(output, '', say(cliTexts, 'unknown-output', { name: unknown, known: uses.join(', ') }));
    return 2;
  }
  const tapes = tapePaths.flatMap((tape) => readTapeFile(tape, output) ?? []);
  if (tapes.length < tapePaths.length) return 2;
  let files: HandedFiles;
  try {
    files = await handOff({
      set,
      tapes,
      // Each of them is a use, as checked above.
      ...(chosen ? { uses: chosen as readonly Use[] } : {}),
      languages: languages.flatMap((one) => one.split(',')).map((one) => one.trim()),
      prefix,
      sources: sourcesFrom(dirname(fileURLToPath(import.meta.url))),
      run: hasCustomCode(set, kinds) ? await sandboxOf() : undefined,
      onProgress: (step, done) => output.err(`${String(Math.round(done * 100)).padStart(3)} % ${step}`),
    });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    report(output, path, saidOf(error));
    return 2;
  }
  const written = writeFolder(folder, files);
  if (typeof written === 'string') {
    output.err(written);
    return 2;
  }
  output.out(`${folder}: ${files.size} files`);
  for (const app of written) output.out(`${folder}/apps/${app}: kept; delete it to have it written again`);
  return 0;
}

/** The sandbox that compares custom code with its bundled form. */
async function sandboxOf(): Promise<RunsCode> {
  const { check, shape } = await runsCustomCode();
  // The runner here returns immediately.
  return { check: (code, input) => check(code, input)!, shape: (code, content) => shape(code, content)! };
}

function readTapeFile(path: string, output: Output): TapeFile | undefined {
  const text = load(path, output);
  if (text === undefined) return undefined;
  const read = parseTape(text);
  if (read.ok) return { name: basename(path), text };
  for (const fault of read.faults) report(output, `${path}:${fault.line}:${fault.column}`, fault);
  return undefined;
}

/** Modules that a hand-off may have beside its folders. */
const modules = [
  ...uses,
  'fields',
  'labels',
  'json',
  'elements',
  'elements-react',
  'languages',
  'custom-code',
].flatMap((name) => [`${name}.js`, `${name}.d.ts`]);

/**
 * File that marks a folder as made by this command, so that it may be replaced. Nobody's own files are
 * deleted.
 */
const mark = 'package.json';

/**
 * Writes the files. Returns the problem as a text if that fails, or the names of the applications that were
 * in the folder already and are unchanged. A folder with other content is not changed.
 */
function writeFolder(folder: string, files: HandedFiles): string | readonly string[] {
  try {
    if (existsSync(folder) && readdirSync(folder).length > 0) {
      const before = existsSync(join(folder, mark)) ? readFileSync(join(folder, mark), 'utf8') : '';
      if (!before.includes('made with Arbeit'))
        return `${folder}: the folder is not empty; choose another or empty it`;
      // Applications are kept, because a developer may have changed them.
      for (const name of [
        'run-time',
        'types',
        'records',
        'trials',
        'html',
        'sql',
        'languages',
        'README.md',
        ...modules,
      ])
        rmSync(join(folder, name), { recursive: true, force: true });
    }
    const before = existsSync(join(folder, 'apps')) ? readdirSync(join(folder, 'apps')) : [];
    const kept = new Set<string>();
    for (const [path, text] of files) {
      const [top, app = ''] = path.split('/');
      if (top === 'apps' && before.includes(app)) {
        kept.add(app);
        continue;
      }
      const file = join(folder, path);
      mkdirSync(dirname(file), { recursive: true });
      writeFileSync(file, text);
    }
    return [...kept].sort();
  } catch (error) {
    return `${folder}: cannot be written (${(error as NodeJS.ErrnoException).code})`;
  }
}
