import type { Plan } from '@arbeit/engine/field';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';
import type { Sources } from './sources.ts';

/** The import of what a kind's plans may have, as the compiler of the packages writes it. */
const fromFeatures = /^import \{[^}]*\} from '\.\/features\.js';\n/m;

/**
 * The packages for the fields of one set: the run-time of a kind without what none of its fields has. A kind keeps the names of that in its
 * `features.ts`; each stands for `true` in the packages, and here for `false` where it is lacked. What that leaves unreached, bundling drops.
 */
export function leaner(sources: Sources, plans: readonly Plan[], kinds: KindTable): Sources {
  const plansOf = new Map<string, Plan[]>();
  for (const plan of plans) {
    const { ships = '' } = kindIn(kinds, plan.kind);
    plansOf.set(ships, [...(plansOf.get(ships) ?? []), plan]);
  }
  const lacked = new Map(
    [...plansOf].map(([ships, own]) => [ships, new Set(kindIn(kinds, own[0]!.kind).lacks?.(own))]),
  );
  return {
    ...sources,
    read(path) {
      const text = sources.read(path);
      const [, kind = ''] = /^engine\/kinds\/([\w-]+)\/\w/.exec(path) ?? [];
      const names = lacked.get(kind);
      const [line] = fromFeatures.exec(text) ?? [];
      if (!names || line === undefined) return text;
      const imported = line.match(/\bhas\w+/g) ?? [];
      return imported.reduce(
        (now, name) => now.replace(new RegExp(`\\b${name}\\b`, 'g'), String(!names.has(name))),
        text.replace(line, ''),
      );
    },
  };
}
