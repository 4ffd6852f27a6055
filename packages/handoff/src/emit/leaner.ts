import { posix } from 'node:path';
import { type CompiledField, lacksOfFields } from '@arbeit/engine/field';
import type { OpenForm } from '@arbeit/engine/form';
import { type KindTable, kindIn, lacksOfKinds } from '@arbeit/engine/kinds';
import { transformSync } from 'esbuild';
import type { Sources } from './sources.ts';

/** The import of what fields may have, as the compiler of the packages writes it. */
const fromFeatures = /^import \{[^}]*\} from .\.\/features\.js.;\n/m;

/** What is made of a set, as far as it decides what a page has to carry. */
export interface Carrying {
  readonly fields: readonly Pick<CompiledField, 'plan' | 'rules'>[];
  readonly forms: readonly Pick<OpenForm, 'rules'>[];
}

/** What a set has no use for, by the folder of the packages that keeps the names of it in its `features.ts`. */
function lackedBy({ fields, forms }: Carrying, kinds: KindTable): ReadonlyMap<string, ReadonlySet<string>> {
  const lacked = new Map<string, ReadonlySet<string>>();
  lacked.set('engine/field', new Set(lacksOfFields(fields, forms)));
  lacked.set('engine/kinds/editing', new Set(lacksOfKinds(fields)));
  const shipping = (name: string): string => kindIn(kinds, name).ships ?? '';
  for (const { plan } of fields) {
    const ships = shipping(plan.kind);
    const own = fields.filter((field) => shipping(field.plan.kind) === ships);
    lacked.set(`engine/kinds/${ships}`, new Set(lacksOfKinds(own, ships)));
  }
  return lacked;
}

/**
 * The packages for one set: what runs its fields without what none of them has. Folders keep the names of that in a `features.ts`; each stands
 * for `true` in the packages, and here for `false` where it is lacked. What that leaves unreached, bundling drops.
 */
export function leaner(sources: Sources, set: Carrying, kinds: KindTable): Sources {
  const lacked = lackedBy(set, kinds);
  return {
    ...sources,
    read(path) {
      const text = sources.read(path);
      const names = lacked.get(posix.dirname(path));
      const [line] = fromFeatures.exec(text) ?? [];
      if (!names || line === undefined) return text;
      const imported = line.match(/\bhas\w+/g) ?? [];
      const told = imported.reduce(
        (now, name) => now.replace(new RegExp(`\\b${name}\\b`, 'g'), String(!names.has(name))),
        text.replace(line, ''),
      );
      // What is never reached goes here, so that nobody who reads the run-time meets it.
      return transformSync(told, { minifySyntax: true, target: 'es2022', charset: 'utf8' }).code;
    },
  };
}
