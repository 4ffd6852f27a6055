import { posix } from 'node:path';
import { type CompiledField, unusedFeaturesOfFields } from '@arbeit/engine/field';
import type { HydratedForm } from '@arbeit/engine/form';
import { type KindTable, kindIn, unusedFeaturesOfKinds } from '@arbeit/engine/kinds';
import { type BuildOptions, build, type Plugin, transform } from 'esbuild';
import type { Sources } from './sources.ts';

/** The parts of a set that decide what a page must carry. */
export interface Carrying {
  readonly fields: readonly Pick<CompiledField, 'plan' | 'rules'>[];
  readonly forms: readonly Pick<HydratedForm, 'rules'>[];
}

/** The features a set does not use, by the folder whose `features.ts` has them. */
function lackedBy({ fields, forms }: Carrying, kinds: KindTable): ReadonlyMap<string, ReadonlySet<string>> {
  const lacked = new Map<string, ReadonlySet<string>>();
  lacked.set('engine/field', new Set(unusedFeaturesOfFields(fields, forms)));
  lacked.set('engine/kinds/editing', new Set(unusedFeaturesOfKinds(fields)));
  const shipping = (name: string): string => kindIn(kinds, name).ships ?? '';
  const all = fields.flatMap((field) => {
    const within = kindIn(kinds, field.plan.kind).plansWithin?.(field.plan) ?? [];
    return [field, ...within.map((plan) => ({ plan, rules: field.rules }))];
  });
  for (const { plan } of all) {
    const ships = shipping(plan.kind);
    const own = all.filter((field) => shipping(field.plan.kind) === ships);
    lacked.set(`engine/kinds/${ships}`, new Set(unusedFeaturesOfKinds(own, ships)));
  }
  return lacked;
}

/** The packages for one set, with unused features switched off as modules are loaded. */
export interface SetSources extends Sources {
  load(path: string): Promise<string>;
}

/**
 * The packages for one set: the code that runs its fields, without features that none of them uses. Each
 * `features.ts` names features, all `true` in the packages. Here the bundler loads a module in which the
 * unused ones are `false`, and drops code that is no longer reachable.
 */
export function treeShake(sources: Sources, set: Carrying, kinds: KindTable): SetSources {
  const lacked = lackedBy(set, kinds);
  const loaded = new Map<string, Promise<string>>();
  return {
    ...sources,
    load(path) {
      const names = lacked.get(posix.dirname(path));
      let text = loaded.get(path);
      if (!text) {
        const isAsking = names && names.size > 0 && sources.read(path).includes(features);
        text = isAsking ? without(names, path, sources) : Promise.resolve(sources.read(path));
        loaded.set(path, text);
      }
      return text;
    },
  };
}

const features = './features.js';

const shape = {
  bundle: true,
  write: false,
  format: 'esm',
  target: 'es2022',
  charset: 'utf8',
  logLevel: 'silent',
} as const satisfies BuildOptions;

/** A module that imports features, with unused ones as the constant `false`. All other imports stay. */
async function without(lacked: ReadonlySet<string>, path: string, sources: Sources): Promise<string> {
  const names = await exportsOf(sources.read(posix.join(posix.dirname(path), features)));
  // The bundler inlines constants only from a module that imports nothing.
  const constants = names.map((name) => `export const ${name} = ${!lacked.has(name)};`).join('\n');
  const here: Plugin = {
    name: 'features',
    setup({ onLoad, onResolve }) {
      onResolve({ filter: /.*/ }, ({ path: specifier, kind }) => {
        if (kind === 'entry-point') return { path: specifier, namespace: 'module' };
        return specifier === features
          ? { path: specifier, namespace: 'features' }
          : { path: specifier, external: true };
      });
      onLoad({ filter: /.*/, namespace: 'module' }, () => ({ contents: sources.read(path) }));
      onLoad({ filter: /.*/, namespace: 'features' }, () => ({ contents: constants }));
    },
  };
  const { outputFiles } = await build({ ...shape, entryPoints: [path], minifySyntax: true, plugins: [here] });
  // Constants of another module are inlined when the output is printed; branches on them are removed in a
  // second pass.
  const { code } = await transform(outputFiles[0]!.text, {
    minifySyntax: true,
    target: 'es2022',
    charset: 'utf8',
  });
  return code;
}

/** The exports of a module. */
async function exportsOf(contents: string): Promise<readonly string[]> {
  const { metafile } = await build({ ...shape, stdin: { contents }, metafile: true });
  return Object.values(metafile.outputs).flatMap(({ exports }) => exports);
}
