import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { kinds } from '@arbeit/engine/kinds';
import { type CompiledModule, compiledModule } from '@arbeit/handoff';
import { customCodeModule } from '@arbeit/handoff/emit';
import { loadDocument } from './files.ts';
import { type Output, report, reportUnwritten, saidOf } from './report.ts';

/**
 * `arbeit compile`. Writes `fields.js`, `fields.d.ts` and, for custom code, `custom-code.js` into a folder,
 * which is created if needed. Resolves to the exit code: 0 written, 2 the document cannot be read or the
 * folder not written.
 */
export async function compileDocument(path: string, folder: string, output: Output): Promise<number> {
  const document = loadDocument(path, output);
  if (!document) return 2;
  let module: CompiledModule;
  let customCode: string | undefined;
  try {
    module = compiledModule(document, kinds);
    customCode = module.customCode && (await customCodeModule(module.customCode));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    report(output, path, saidOf(error));
    return 2;
  }
  try {
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, 'fields.js'), module.js);
    writeFileSync(join(folder, 'fields.d.ts'), module.dts);
    if (customCode !== undefined) writeFileSync(join(folder, 'custom-code.js'), customCode);
  } catch (error) {
    reportUnwritten(output, folder, error);
    return 2;
  }
  const count = document.fields.length;
  output.out(`${join(folder, 'fields.js')}: ${count} ${count === 1 ? 'field' : 'fields'}`);
  return 0;
}
