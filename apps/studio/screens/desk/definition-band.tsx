'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { FieldState } from '@arbeit/engine/field';
import type { PatternBody, PatternPlan } from '@arbeit/engine/kinds/pattern';
import { inWords, parseNotation, sampleCells } from '@arbeit/engine/kinds/pattern';
import { graphemes } from '@arbeit/engine/values';
import type { Field } from '@arbeit/react';
import { type CSSProperties, type ReactNode, useCallback, useMemo, useRef, useState } from 'react';
import { useAnswers, withCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { useKinds } from '../../field/kinds-provider.tsx';
import { hasNotation, patternsOf, problemWithPatterns, withPatterns } from '../../model/notation.ts';
import { partAt } from '../../model/pattern-edits.ts';
import { sampleOf } from '../../model/sample.ts';
import { columnsOf } from './columns.ts';
import { InlinePanel } from './inline-panel.tsx';
import { Facts, KindRuler } from './kind-ruler.tsx';
import { isInText, KindSpecimen, OptionEditors } from './kind-specimen.tsx';
import { OnceDone } from './once-done.tsx';
import { PatternLine } from './pattern-line.tsx';
import { AddPattern, PatternList } from './pattern-list.tsx';
import { Ruler } from './ruler.tsx';
import { PartEditor, Specimen } from './specimen.tsx';

export type Change = (edit: (field: FieldDocument) => FieldDocument, about?: string) => void;

interface BandProps<F extends FieldDocument = FieldDocument> {
  readonly definition: F;
  readonly field: Field;
  readonly set: Pick<SetDocument, 'locale' | 'classes'>;
  /** The name under which a faulty pattern is stored in the browser. */
  readonly name: string;
  readonly onChange: Change;
}

/**
 * The definition of a field: specimen and ruler on one grid, an inline panel between them, the pattern as
 * text below.
 */
export function DefinitionBand(props: BandProps) {
  const { definition } = props;
  return hasNotation(definition) ? (
    <OfPattern {...props} definition={definition} />
  ) : (
    <OfKind {...props} definition={definition} />
  );
}

/** A grid for specimen and ruler, with columns as wide as fits. */
function Grid({ columns, children }: { readonly columns: number; readonly children: ReactNode }) {
  const style = { '--columns': Math.max(12, columns + 2) } as CSSProperties;
  return (
    <div className="desk-grid" style={style} tabIndex={columns > 30 ? 0 : undefined}>
      <div className="w-max min-w-full">{children}</div>
    </div>
  );
}

/** The part that is open. Closing it returns the focus to the part's button. */
function useOpenPart() {
  const [open, setOpen] = useState<string | null>(null);
  const buttons = useRef<HTMLDivElement>(null);
  const close = useCallback(() => {
    setOpen((part) => {
      const button =
        part === null ? null : buttons.current?.querySelector<HTMLElement>(`[data-part="${part}"]`);
      // If the part was removed, its neighbour gets the focus.
      (button ?? buttons.current?.querySelector<HTMLElement>('[data-part]'))?.focus();
      return null;
    });
  }, []);
  return { open, setOpen, close, buttons };
}

function OfKind({ definition, field, set, onChange }: BandProps) {
  const kinds = useKinds();
  const { locale, classes } = set;
  const facts = useMemo(() => ({ locale, ...(classes ? { classes } : {}) }), [locale, classes]);
  const { open, setOpen, close, buttons } = useOpenPart();
  const [preview, setPreview] = useState<FieldDocument | null>(null);
  // The display of a custom format is known once its code has returned.
  const answers = useAnswers(field.store.field.kind.withFormat !== undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: an answer changes what the same definition comes to
  const pieces = useMemo(
    () => sampleOf(definition, facts, kinds, withCustomCode),
    [definition, facts, kinds, answers],
  );
  const shown = useMemo(
    () => (preview ? sampleOf(preview, facts, kinds, withCustomCode) : null),
    [preview, facts, kinds],
  );
  const opened = pieces.find(({ id }) => id === open) ?? null;
  const inText = pieces.filter(isInText).map(({ text }) => graphemes(text).length);
  const count = Math.max(
    inText.reduce((sum, own) => sum + own, 0),
    graphemes(field.state.body.display).length,
  );
  return (
    <Grid columns={count}>
      <KindSpecimen pieces={pieces} shown={shown} open={open} buttons={buttons} onOpen={setOpen} />
      <OnceDone isDone={open !== null} />
      {opened && (
        <InlinePanel
          key={opened.part}
          label={`Define: ${opened.caption}`}
          needs={OptionEditors}
          onClose={close}
        >
          {() => (
            <OptionEditors
              definition={definition}
              part={opened.part}
              set={facts}
              onPreview={setPreview}
              onChange={onChange}
            />
          )}
        </InlinePanel>
      )}
      <KindRuler field={field} />
    </Grid>
  );
}

/** The state of a field in which nothing is typed, laid out by one of its patterns. */
const idle = (field: Field, plan: PatternPlan): FieldState<PatternBody> => ({
  ...(field.state as FieldState<PatternBody>),
  body: field.store.field.kind.empty(plan) as PatternBody,
  start: 0,
  end: 0,
});

function OfPattern({ definition, field, set, name, onChange }: BandProps<FieldDocument<'pattern'>>) {
  const whole = field.store.field.plan as PatternPlan;
  const state = field.state as FieldState<PatternBody>;
  const patterns = useMemo(() => patternsOf(definition), [definition]);
  const used = state.body.which ?? 0;
  const [chosen, setChosen] = useState<number | null>(null);
  // What is typed decides which pattern is drawn, until another one is chosen.
  const { content } = state.body;
  const [followed, setFollowed] = useState(content);
  if (followed !== content) {
    setFollowed(content);
    setChosen(null);
  }
  const shown = Math.min(chosen ?? Math.max(0, used), patterns.length - 1);
  const pattern = patterns[shown] ?? '';
  const plan = whole.alternatives?.[shown] ?? whole;
  const drawn = useMemo(
    () => (used === shown || !whole.alternatives ? state : idle(field, plan)),
    [used, shown, whole, state, field, plan],
  );
  const kinds = useKinds();
  const { classes } = set;
  const { open, setOpen, close, buttons } = useOpenPart();
  const classNames = useMemo(() => Object.keys(classes ?? {}), [classes]);
  const notation = useMemo(() => parseNotation(pattern, classNames), [pattern, classNames]);
  const { columns, spans } = useMemo(
    () => columnsOf(notation.nodes, plan, sampleCells(plan)),
    [notation, plan],
  );
  const setPattern = useCallback(
    (next: string, about?: string) => {
      if (parseNotation(next, classNames).faults.length > 0) return;
      onChange((f) => (hasNotation(f) ? withPatterns(f, patternsOf(f).with(shown, next)) : f), about);
    },
    [onChange, classNames, shown],
  );
  const problemWith = useCallback(
    (all: readonly string[]): string | null => problemWithPatterns(definition, all, kinds, classes),
    [definition, kinds, classes],
  );
  const setPatterns = useCallback(
    (next: readonly string[], at: number) => {
      setChosen(at);
      onChange((f) => withPatterns(f, next));
    },
    [onChange],
  );
  const problemWithLine = useCallback(
    (text: string) => problemWith(patterns.with(shown, text)),
    [problemWith, patterns, shown],
  );
  const [isAdded, setAdded] = useState(false);
  const goToLine = useCallback(() => setAdded(true), []);
  const onBegun = useCallback(() => setAdded(false), []);
  const beside = useMemo(
    () =>
      patterns.length === 1 && (
        <AddPattern patterns={patterns} problemWith={problemWith} onChange={setPatterns} onAdded={goToLine} />
      ),
    [patterns, problemWith, setPatterns, goToLine],
  );
  const path = open === null ? null : open.split('.').map(Number);
  const opened = path && partAt(notation.nodes, path);
  return (
    <>
      <Grid columns={columns.length}>
        <Specimen
          notation={notation}
          columns={columns}
          spans={spans}
          open={open}
          buttons={buttons}
          onOpen={setOpen}
          onChange={setPattern}
        />
        <OnceDone isDone={open !== null} />
        {path && opened && (
          <InlinePanel key={open} label={`Define: ${inWords(opened)}`} needs={PartEditor} onClose={close}>
            {() => (
              <PartEditor
                nodes={notation.nodes}
                path={path}
                classes={classNames}
                onChange={setPattern}
                onGone={close}
              />
            )}
          </InlinePanel>
        )}
        <Ruler plan={plan} state={drawn} columns={columns} />
        <Facts field={field} />
      </Grid>
      {patterns.length > 1 && (
        <PatternList
          patterns={patterns}
          shown={shown}
          used={used}
          problemWith={problemWith}
          onChoose={setChosen}
          onChange={setPatterns}
          onAdded={goToLine}
        />
      )}
      <PatternLine
        key={`${name} ${shown}`}
        name={shown === 0 ? name : `${name} ${shown}`}
        pattern={pattern}
        problemOf={problemWithLine}
        definition={definition}
        plan={plan}
        notation={notation}
        classes={classNames}
        set={set}
        onChange={setPattern}
        onOption={onChange}
        beside={beside}
        isBegun={isAdded}
        onBegun={onBegun}
      />
    </>
  );
}
