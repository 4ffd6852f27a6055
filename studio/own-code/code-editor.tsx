'use client';

import { autocompletion, type CompletionContext } from '@codemirror/autocomplete';
import { javascript } from '@codemirror/lang-javascript';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { type Diagnostic, setDiagnostics } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { basicSetup } from 'codemirror';
import { useEffect, useRef } from 'react';

/** What the code is given, to be offered while one writes. */
export interface Offer {
  readonly label: string;
  readonly detail: string;
}

/** A mistake of the code, at its line (1-based). */
export interface Mistake {
  readonly line: number;
  readonly message: string;
}

/** The nonce of the page, under which styles may be written. */
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

/** Quiet: what the language says in green, what is quoted or said aside in faint, all else in ink. */
const inks = HighlightStyle.define([
  { tag: tags.keyword, color: 'var(--oxide)', fontWeight: '600' },
  { tag: [tags.string, tags.comment, tags.number, tags.bool, tags.null], color: 'var(--faint)' },
  { tag: tags.comment, fontStyle: 'italic' },
]);

/** A small JavaScript function, written with what it is given at hand. Tab goes on, as in any other field of the page. */
export function CodeEditor({
  label,
  code,
  offers,
  mistake,
  onChange,
}: {
  readonly label: string;
  readonly code: string;
  readonly offers: readonly Offer[];
  readonly mistake: Mistake | undefined;
  readonly onChange: (code: string) => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const latest = useRef({ code, offers, onChange });
  latest.current = { code, offers, onChange };
  useEffect(() => {
    const complete = (context: CompletionContext) => {
      const word = context.matchBefore(/[\w.]*/);
      if (!word || (word.from === word.to && !context.explicit)) return null;
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
          javascript(),
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
    // Changed elsewhere, by undo or another window: what stands here is that.
    if (editor && editor.state.doc.toString() !== code)
      editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: code } });
  }, [code]);
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const found: Diagnostic[] = [];
    if (mistake && mistake.line <= editor.state.doc.lines) {
      const { from, to } = editor.state.doc.line(Math.max(1, mistake.line));
      found.push({ from, to, severity: 'error', message: mistake.message });
    }
    editor.dispatch(setDiagnostics(editor.state, found));
  }, [mistake]);
  return <div ref={place} />;
}
