/**
 * Texts of a document as they are written into other languages, each by the rules of that grammar. A text that a person wrote is never code, whatever signs
 * are in it. Nothing else in the hand-off writes a text of a document into another language.
 */

const numeric = (c: string): string => `&#${c.codePointAt(0)};`;

/** In HTML, between tags (HTML, "data state"). */
export const inHtml = (text: string): string => text.replace(/[&<>]/g, numeric);

/** In HTML, in a quoted attribute (HTML, "attribute value state"); on one line. */
export const inAttribute = (text: string): string =>
  text.replace(/[&<>"'`]/g, numeric).replace(/[\n\r\u2028\u2029]+/g, ' ');

/** In a template of Vue or Svelte, between tags or in a quoted attribute: braces are code there. */
export const inTemplate = (text: string): string => inAttribute(text).replace(/[{}]/g, numeric);

/** Markup that is known to be shapes alone (`packages/engine/src/document/icon.ts`), in a template of Vue or Svelte: its title may have braces. */
export const markupInTemplate = (markup: string): string => markup.replace(/[{}]/g, numeric);

/** In JavaScript or TypeScript, as a string, inside a script of a page too (ECMAScript, string literals; HTML, script data). */
export const inScript = (text: string): string =>
  JSON.stringify(text).replace(
    /[<\u2028\u2029]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );

/** A whole script in a `<script>` of a page: it must not end there, nor begin a comment that swallows its end (HTML, "script data double escaped state"). */
export const scriptInPage = (script: string): string =>
  script.replace(/<\/(?=script)/gi, '<\\/').replaceAll('<!--', '\\x3c!--');

/** In a comment of JavaScript or TypeScript, which it cannot end; on one line. */
export const inComment = (text: string): string =>
  text.replace(/[\s\u2028\u2029]+/g, ' ').replaceAll('*/', '*\u200b/');

/** In a line of Markdown, none of whose signs mean anything (CommonMark; HTML in it, entities and tables among them). */
export const inMarkdown = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/[\\`*_{}[\]<>#|!&~:@]/g, '\\$&')
    .replace(/^ *(?=[-+=]|\d+[.)])/, '\u200b');
