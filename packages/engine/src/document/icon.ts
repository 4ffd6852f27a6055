import { type Said, say } from '../faults/say.ts';
import { iconTexts } from '../faults/texts.ts';

/** Elements an icon may contain (SVG 2): shapes and groups. Security relevant. */
const elements = ['svg', 'g', 'path', 'circle', 'ellipse', 'rect', 'line', 'polyline', 'polygon', 'title'];

/** Attributes they may have: position and drawing. None of them loads or runs anything. Security relevant. */
const attributes = [
  'viewBox', 'width', 'height', 'd', 'x', 'y', 'x1', 'y1', 'x2', 'y2', 'cx', 'cy', 'r', 'rx', 'ry', 'points', 'transform', 'fill', 'stroke', 'stroke-width', 'stroke-linecap',
  'stroke-linejoin', 'stroke-dasharray', 'fill-rule', 'clip-rule', 'opacity', 'fill-opacity', 'stroke-opacity', 'xmlns',
]; // biome-ignore format: a list

const namespace = 'http://www.w3.org/2000/svg';
/**
 * Allowed attribute values: numbers, path commands, colour names, transform functions; nothing that could be
 * an address. Security relevant.
 */
const plainValue = /^[\w\s.,#%()+-]*$/;
const longest = 4_000;

/**
 * The problem of an icon's markup; `undefined` if it is an `<svg>` of shapes only. Parsed by its own small
 * grammar: everything it does not know is refused, whatever a browser would make of it. Security relevant.
 */
export function problemWithIcon(text: string): Said | undefined {
  if (text.length > longest) return say(iconTexts, 'icon-too-long', { most: longest });
  const open: string[] = [];
  let at = 0;
  let count = 0;
  while (at < text.length) {
    const tag = /^<(\/?)([A-Za-z]+)((?:\s+[A-Za-z][\w:-]*\s*=\s*(?:"[^"<&]*"|'[^'<&]*'))*)\s*(\/?)>/.exec(
      text.slice(at),
    );
    if (!tag) {
      const piece = /^[^<]+/.exec(text.slice(at))?.[0];
      if (piece === undefined || (piece.trim() && open.at(-1) !== 'title') || /[&]/.test(piece))
        return say(iconTexts, 'icon-text', { found: text.slice(at, at + 20) });
      at += piece.length;
      continue;
    }
    const [all, closes, name = '', given = '', isEmpty] = tag;
    at += all.length;
    if (closes) {
      if (open.pop() !== name) return say(iconTexts, 'icon-closing-tag', { tag: all });
      continue;
    }
    const problem = problemWithElement(name, given, open.length === 0, count);
    if (problem) return problem;
    count++;
    if (!isEmpty) open.push(name);
  }
  if (count === 0) return say(iconTexts, 'icon-without-svg');
  return open.length ? say(iconTexts, 'icon-unclosed', { name: open.at(-1)! }) : undefined;
}

function problemWithElement(
  name: string,
  given: string,
  isOutermost: boolean,
  before: number,
): Said | undefined {
  if (isOutermost !== (name === 'svg') || (isOutermost && before > 0)) return say(iconTexts, 'icon-nesting');
  if (!elements.includes(name))
    return say(iconTexts, 'icon-element', { name, known: elements.slice(1).join(', ') });
  for (const [, attribute = '', double, single] of given.matchAll(
    /([A-Za-z][\w:-]*)\s*=\s*(?:"([^"]*)"|'([^']*)')/g,
  )) {
    const value = double ?? single ?? '';
    if (!attributes.includes(attribute)) return say(iconTexts, 'icon-attribute', { name: attribute });
    const isPlain =
      attribute === 'xmlns' ? value === namespace : plainValue.test(value) && !/url\s*\(/i.test(value);
    if (!isPlain)
      return say(iconTexts, 'icon-attribute-value', { value: value.slice(0, 30), name: attribute });
  }
  return undefined;
}
