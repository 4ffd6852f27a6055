'use client';

import { autocompletion, type CompletionContext } from '@codemirror/autocomplete';
import { javascript } from '@codemirror/lang-javascript';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { type Diagnostic, setDiagnostics } from '@codemirror/lint';
import { EditorState, type Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { basicSetup } from 'codemirror';
import { useEffect, useRef } from 'react';

/** A completion that the editor offers. */
export interface Offer {
  readonly label: string;
  readonly detail: string;
}

/** A mistake at its line and, if known, column (1-based). */
export interface Mistake {
  readonly line: number;
  readonly column?: number;
  readonly message: string;
}

/** The nonce of the page, needed to write styles. */
const nonce = (): string => (globalThis as { __webpack_nonce__?: string }).__webpack_nonce__ ?? '';

const theme = EditorView.theme({
  '&': {
    border: '1px solid var(--line)',
    background: 'transparent',
    color: 'var(--ink)',
    fontSize: '0.875rem',
  },
  '&.cm-focused': { outline: '2px solid var(--oxide)', outlineOffset: '1px' },
  '.cm-content, .cm-gutters': { fontFamily: 'var(--font-mono, "Commit Mono", monospace)' },
  '.cm-gutters': { background: 'transparent', color: 'var(--faint)', border: 'none' },
  '.cm-activeLine, .cm-activeLineGutter': { background: 'var(--wash)' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '.cm-tooltip': { background: 'var(--paper)', color: 'var(--ink)', border: '1px solid var(--line)' },
  '.cm-tooltip-autocomplete ul li[aria-selected]': { background: 'var(--oxide)', color: 'var(--paper)' },
});

/** Colours: keywords green, strings and comments faint, everything else in ink. */
const inks = HighlightStyle.define([
  { tag: tags.keyword, color: 'var(--oxide)', fontWeight: '600' },
  { tag: [tags.string, tags.comment, tags.number, tags.bool, tags.null], color: 'var(--faint)' },
  { tag: tags.comment, fontStyle: 'italic' },
]);

/**
 * A code editor, for JavaScript unless `language` says otherwise. Tab moves on, as in other fields of the
 * page.
 */
export function CodeEditor({
  label,
  code,
  offers,
  mistakes,
  language = javascript(),
  onChange,
}: {
  readonly label: string;
  readonly code: string;
  readonly offers: readonly Offer[];
  readonly mistakes: readonly Mistake[];
  readonly language?: Extension;
  readonly onChange: (code: string) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const latest = useRef({ code, offers, onChange, language });
  latest.current = { code, offers, onChange, language };
  useEffect(() => {
    const complete = (context: CompletionContext) => {
      const word = context.matchBefore(/[\w.-]*/);
      if (!word || (word.from === word.to && !context.explicit)) return null;
      // A word that is already complete is not offered: Return begins a new line.
      if (!context.explicit && latest.current.offers.some(({ label: name }) => name === word.text))
        return null;
      const options = latest.current.offers.map(({ label: name, detail }) => ({
        label: name,
        detail,
        type: 'variable',
      }));
      return { from: word.from, options };
    };
    const editor = new EditorView({
      parent: place.current!,
      state: EditorState.create({
        doc: latest.current.code,
        extensions: [
          EditorView.cspNonce.of(nonce()),
          syntaxHighlighting(inks),
          basicSetup,
          EditorView.lineWrapping,
          latest.current.language,
          autocompletion({ override: [complete] }),
          EditorView.contentAttributes.of({ 'aria-label': label }),
          EditorView.updateListener.of(({ docChanged, state }) => {
            if (docChanged) latest.current.onChange(state.doc.toString());
          }),
          theme,
        ],
      }),
    });
    view.current = editor;
    return () => editor.destroy();
  }, [label]);
  useEffect(() => {
    const editor = view.current;
    // Changed elsewhere, by undo or in another window: the editor shows the new text.
    if (editor && editor.state.doc.toString() !== code)
      editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: code } });
  }, [code]);
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const found = mistakes.flatMap(({ line: number, column = 1, message }): Diagnostic[] => {
      if (number > editor.state.doc.lines) return [];
      const line = editor.state.doc.line(Math.max(1, number));
      const from = Math.min(line.to, line.from + column - 1);
      return [{ from, to: Math.max(from, line.to), severity: 'error', message }];
    });
    editor.dispatch(setDiagnostics(editor.state, found));
  }, [mistakes]);
  return <div ref={place} />;
}
