import type { RunShape, Shaped } from '../../field/shape.ts';

/** Runs code of tests as a page runs what it was handed: by itself, with nothing around it. */
export function plainly(): RunShape {
  const modules = new Map<string, { shape(content: string): unknown; value?(content: string): unknown }>();
  return (code, content): Shaped => {
    try {
      let own = modules.get(code);
      if (!own) {
        const body = `${code.replace(/export /g, '')}\nreturn { shape, value: typeof value === 'function' ? value : undefined };`;
        own = new Function(body)() as typeof own & object;
        modules.set(code, own);
      }
      const shown = own.shape(content);
      return own.value ? { shown, value: own.value(content) } : { shown };
    } catch (error) {
      return { broken: String(error) };
    }
  };
}

/** Codes as developers have them, by what they are for. */
export const shapes = {
  plain: 'export function shape(content) { return content; }',
  fours: "export function shape(content) { return content.replace(/(.{4})(?=.)/g, '$1 '); }",
  /** A hut's key: fixed text of letters and digits, which the field takes itself. */
  lead: "export function shape(content) { return 'K4-' + content.replace(/(.{3})(?=.)/g, '$1-'); }",
  signed:
    "export function shape(content) { return '(' + content.slice(0, 2) + (content.length > 2 ? ') ' + content.slice(2) : ''); }",
  /** Laid out by what it begins with. */
  byFirst:
    "export function shape(content) { const size = content[0] === '3' ? 2 : 3; return content.match(new RegExp('.{1,' + size + '}', 'g')).join('.'); }",
  /** In pieces: what is fixed and what is the user's by turns. */
  pieces:
    "export const shape = (content) => ['+44 ', content.slice(0, 4), content.length > 4 ? ' ' : '', content.slice(4)];",
  valued:
    "export function shape(content) { return content + ' h'; }\nexport function value(content) { return content === '0' ? null : content; }",
} as const;

/** Codes that break a law on purpose: fixed text that could be the user's too (8), a sign between all. */
export const oddShapes = {
  /** A nought before everything, which the field takes as well. */
  nought: "export function shape(content) { return '0' + content; }",
  /** Each character a piece of its own, a sign between. */
  apart: "export const shape = (content) => [...content].flatMap((c, i) => [i ? '.' : 'x', c]);",
} as const;
