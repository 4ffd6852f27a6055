'use client';

import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import type { FieldState } from '@arbeit/engine/field';
import type { PatternBody } from '@arbeit/engine/kinds/pattern';
import { inWords, sampleCells } from '@arbeit/engine/kinds/pattern';
import { graphemes } from '@arbeit/engine/values';
import type { Field } from '@arbeit/react';
import dynamic from 'next/dynamic';
import { type CSSProperties, type ReactNode, useCallback, useMemo, useRef, useState } from 'react';
import { useAnswers, withCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { useKinds } from '../../field/kinds-provider.tsx';
import { hasNotation } from '../../model/notation.ts';
import { partAt } from '../../model/pattern-edits.ts';
import { sampleOf } from '../../model/sample.ts';
import { AddPattern } from './add-pattern.tsx';
import type { Change } from './change.ts';
import { columnsOf } from './columns.ts';
import { InlinePanel } from './inline-panel.tsx';
import { Facts, KindRuler } from './kind-ruler.tsx';
import { isInText, KindSpecimen, OptionEditors } from './kind-specimen.tsx';
import { OnceDone } from './once-done.tsx';
import { PatternLine } from './pattern-line.tsx';
import { Ruler } from './ruler.tsx';
import { PartEditor, Specimen } from './specimen.tsx';
import { usePatterns } from './use-patterns.ts';

/** Few fields have several patterns. */
const PatternList = dynamic(() => import('./pattern-list.tsx').then((own) => own.PatternList));

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

/** Specimen and ruler of one pattern. */
function PatternGrid({ of, field }: { readonly of: ReturnType<typeof usePatterns>; readonly field: Field }) {
  const { notation, plan, classNames, shown, used, setPattern } = of;
  const { open, setOpen, close, buttons } = useOpenPart();
  const { columns, spans } = useMemo(
    () => columnsOf(notation.nodes, plan, sampleCells(plan)),
    [notation, plan],
  );
  const path = open === null ? null : open.split('.').map(Number);
  const opened = path && partAt(notation.nodes, path);
  return (
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
      {shown === used ? (
        <>
          <Ruler plan={plan} state={field.state as FieldState<PatternBody>} columns={columns} />
          <Facts field={field} />
        </>
      ) : (
        // What is typed is not laid out by the pattern that is drawn.
        <KindRuler field={field} />
      )}
    </Grid>
  );
}

function OfPattern({ definition, field, set, name, onChange }: BandProps<FieldDocument<'pattern'>>) {
  const own = usePatterns(definition, field, set, onChange);
  const { patterns, shown, used, problemWith, setPatterns, add } = own;
  /** The pattern whose line gets the focus once it is drawn. */
  const [begun, setBegun] = useState<number | null>(null);
  const onBegun = useCallback(() => setBegun(null), []);
  const onAdd = useCallback(() => {
    // Without the network nothing is added; the next click tries again.
    add().then(setBegun, () => undefined);
  }, [add]);
  const goToLine = useCallback(() => setBegun(0), []);
  const isOne = patterns.length === 1;
  const beside = useMemo(() => isOne && <AddPattern count={1} onAdd={onAdd} />, [isOne, onAdd]);
  return (
    <>
      <PatternGrid of={own} field={field} />
      {!isOne && (
        <PatternList
          patterns={patterns}
          shown={shown}
          used={used}
          problemWith={problemWith}
          onChoose={own.choose}
          onChange={setPatterns}
          onAdd={onAdd}
          onAlone={goToLine}
        />
      )}
      <PatternLine
        key={`${name} ${shown}`}
        name={shown === 0 ? name : `${name} ${shown}`}
        pattern={own.pattern}
        problemOf={own.problemOf}
        definition={definition}
        plan={own.plan}
        notation={own.notation}
        classes={own.classNames}
        set={set}
        onChange={own.setPattern}
        onOption={onChange}
        beside={beside}
        isBegun={begun === shown}
        onBegun={onBegun}
      />
    </>
  );
}
