/** A text on one line: line breaks are drawn, so that they are not taken for spaces. */
export const oneLine = (text: string): string => text.replaceAll('\n', '↵');
