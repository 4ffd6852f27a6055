import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { type Matter, type Node, parseNotation, printNotation, rangesOf } from '@arbeit/engine/kinds/pattern';
import { hasNotation, patternsOf, withPatterns } from './notation.ts';

/** Character classes of a set, and what uses them. */

/** What is wrong with the characters and ranges of a class or a cell, as a sentence; `null` if nothing. */
export function problemWithCharacters(text: string): string | null {
  const ranges = rangesOf(text);
  return 'message' in ranges ? ranges.message : null;
}

/** The parts of a pattern with a class replaced everywhere. */
function changed(nodes: readonly Node[], change: (name: string) => Matter | undefined): readonly Matter[] {
  return nodes.map((node): Matter => {
    if (node.type === 'stretch') return { ...node, nodes: changed(node.nodes, change) as readonly Node[] };
    if (node.type !== 'cells' || node.takes.type !== 'class') return node;
    const next = change(node.takes.name);
    return next && next.type === 'cells' ? { ...node, takes: next.takes } : node;
  });
}

const cellsOf = (takes: Extract<Matter, { type: 'cells' }>['takes']): Matter => ({
  type: 'cells',
  min: 1,
  max: 1,
  takes,
});

/** The names of the classes that a field's pattern uses. */
export function classesIn(field: FieldDocument): readonly string[] {
  if (!hasNotation(field)) return [];
  const names = new Set<string>();
  const walk = (nodes: readonly Node[]): void => {
    for (const node of nodes) {
      if (node.type === 'stretch') walk(node.nodes);
      if (node.type === 'cells' && node.takes.type === 'class') names.add(node.takes.name);
    }
  };
  // Every word that is not a built-in class is read as the name of a class.
  for (const pattern of patternsOf(field))
    walk(
      parseNotation(
        pattern,
        [...pattern.matchAll(/[a-z][\w-]*/gi)].map(([word]) => word),
      ).nodes,
    );
  return [...names];
}

const withClass = (set: SetDocument, name: string, becomes: Matter): readonly FieldDocument[] =>
  set.fields.map((field) => {
    if (!hasNotation(field) || !classesIn(field).includes(name)) return field;
    const patterns = patternsOf(field).map((pattern) => {
      const { nodes } = parseNotation(pattern, Object.keys(set.classes ?? {}));
      return printNotation(changed(nodes, (one) => (one === name ? becomes : undefined)));
    });
    return withPatterns(field, patterns);
  });

/** The fields that use a class. */
export const usersOf = (set: SetDocument, name: string): readonly FieldDocument[] =>
  set.fields.filter((field) => classesIn(field).includes(name));

/** Renames a class in every pattern. It keeps its place among the others. */
export function renameClass(set: SetDocument, name: string, to: string): SetDocument {
  const classes = Object.fromEntries(
    Object.entries(set.classes ?? {}).map(([own, characters]) => [own === name ? to : own, characters]),
  );
  return { ...set, classes, fields: withClass(set, name, cellsOf({ type: 'class', name: to })) };
}

/** Removes a class. Patterns that use it get its characters instead, so that they accept the same. */
export function removeClass(set: SetDocument, name: string): SetDocument {
  const { [name]: characters = '', ...rest } = set.classes ?? {};
  const fields = withClass(set, name, cellsOf({ type: 'characters', characters }));
  const { classes: _, ...bare } = set;
  return Object.keys(rest).length ? { ...bare, fields, classes: rest } : { ...bare, fields };
}

/** Adds a class under a free name. */
export function addClass(set: SetDocument): SetDocument {
  const taken = Object.keys(set.classes ?? {});
  let name = 'own';
  for (let n = 2; taken.includes(name); n++) name = `own${n}`;
  return { ...set, classes: { ...set.classes, [name]: 'A-Z' } };
}
