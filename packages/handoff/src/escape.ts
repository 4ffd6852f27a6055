/**
 * Texts of a document escaped for other languages, each by the rules of that grammar, so that a text that a
 * person wrote never becomes code. Nothing else in the hand-off writes a text of a document into another
 * language.
 */

const numeric = (c: string): string => `&#${c.codePointAt(0)};`;

/**
 * A text for use in HTML between tags. Security: this is the only way texts get into HTML.
 *
 * @example
 * inHtml('<b>'); // '&lt;b>'
 */
export const inHtml = (text: string): string => text.replace(/[&<>]/g, numeric);

/**
 * A text for use in an HTML attribute in double quotes. Security: this is the only way texts get into
 * attributes.
 *
 * @example
 * inAttribute('"Two Tarns"');
 */
export const inAttribute = (text: string): string =>
  text.replace(/[&<>"'`]/g, numeric).replace(/[\n\r\u2028\u2029]+/g, ' ');

/**
 * For use in a Vue or Svelte template, between tags or in a quoted attribute, where braces are code. Security
 * relevant.
 */
export const inTemplate = (text: string): string => inAttribute(text).replace(/[{}]/g, numeric);

/**
 * For use as a JavaScript string, also inside a script of a page (ECMAScript, string literals; HTML, script
 * data). Security relevant.
 */
export const inScript = (text: string): string =>
  JSON.stringify(text).replace(
    /[<\u2028\u2029]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );

/**
 * For use as a JavaScript string in single quotes, also in an attribute in double quotes. Security relevant.
 * Escapes of JavaScript, not entities of HTML: checkers of templates read entities as code.
 */
export const inQuotes = (text: string): string => {
  const escaped = JSON.stringify(text).slice(1, -1).replaceAll('\\"', '"');
  const safe = escaped.replace(
    /["'&<>`\u2028\u2029]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
  return `'${safe}'`;
};

/**
 * JavaScript for use in a `<script>` element. Security: it cannot close the element.
 *
 * @example
 * scriptInPage('const close = "</script>";');
 */
export const scriptInPage = (script: string): string =>
  script.replace(/<\/(?=script)/gi, '<\\/').replaceAll('<!--', '\\x3c!--');

/**
 * For use in a comment of JavaScript or TypeScript, on one line. Security relevant: it cannot end the
 * comment.
 */
export const inComment = (text: string): string =>
  text.replace(/[\s\u2028\u2029]+/g, ' ').replaceAll('*/', '*\u200b/');

/**
 * For use in a line of Markdown, where no character of it has a meaning (CommonMark, HTML, entities, tables).
 * Security relevant.
 */
export const inMarkdown = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/[\\`*_{}[\]<>#|!&~:@]/g, '\\$&')
    .replace(/^ *(?=[-+=]|\d+[.)])/, '\u200b');

/** For use as a string in SQL (ISO 9075). Security relevant: it cannot end the string. */
export const inSql = (text: string): string => `'${text.replaceAll("'", "''")}'`;

/** A name in SQL, in quotation marks, with underscores for hyphens. Security relevant. */
export const sqlName = (id: string): string => `"${id.replaceAll('-', '_').replaceAll('"', '""')}"`;

/** For use in a comment of SQL, on one line. Security relevant: it cannot end the comment. */
export const inLine = (text: string): string => text.replace(/[\p{Zl}\p{Zp}\p{Cc}]+/gu, ' ');
