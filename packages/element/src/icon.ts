/** Elements that an icon may contain (SVG 2): those that `readDocument` accepts. Security relevant. */
const shapes = /^(?:svg|g|path|circle|ellipse|rect|line|polyline|polygon)$/;
const namespace = 'http://www.w3.org/2000/svg';

/**
 * The elements of an icon's markup, made one by one: a page that enforces Trusted Types allows no markup as
 * text. The grammar is that of `packages/engine/src/document/icon.ts`; anything else is left out, and so are
 * attributes that could run something.
 */
export function iconNodes(markup: string): readonly Element[] {
  const found: Element[] = [];
  const open: Element[] = [];
  for (const [, closes, name = '', given = '', isEmpty] of markup.matchAll(
    /<(\/?)([A-Za-z]+)((?:\s+[A-Za-z][\w-]*\s*=\s*(?:"[^"<&]*"|'[^'<&]*'))*)\s*(\/?)>/g,
  )) {
    if (!shapes.test(name)) continue;
    if (closes) {
      open.pop();
      continue;
    }
    const element = document.createElementNS(namespace, name);
    for (const [, attribute = '', double, single = ''] of given.matchAll(
      /([A-Za-z][\w-]*)\s*=\s*(?:"([^"]*)"|'([^']*)')/g,
    ))
      if (!/^on|^href$|^xmlns$/i.test(attribute)) element.setAttribute(attribute, double ?? single);
    const around = open.at(-1);
    if (around) around.append(element);
    else found.push(element);
    if (!isEmpty) open.push(element);
  }
  return found;
}
