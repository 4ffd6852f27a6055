'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import type { FieldState } from '@arbeit/engine/field';
import type { PatternBody } from '@arbeit/engine/kinds/pattern';
import { inWords, sampleCells } from '@arbeit/engine/kinds/pattern';
import type { Field } from '@arbeit/react';
import dynamic from 'next/dynamic';
import { useCallback, useMemo, useState } from 'react';
import { hasNotation } from '../../model/notation.ts';
import { partAt } from '../../model/pattern-edits.ts';
import * as words from '../../words/desk/definition-band.ts';
import { AddPattern } from './add-pattern.tsx';
import { BandGrid, useOpenPart } from './band-grid.tsx';
import type { BandProps } from './band-props.ts';
import { columnsOf } from './columns.ts';
import { Facts } from './facts.tsx';
import { InlinePanel } from './inline-panel.tsx';
import { OnceDone } from './once-done.tsx';
import { PatternLine } from './pattern-line.tsx';
import { Ruler } from './ruler.tsx';
import { PartEditor, Specimen } from './specimen.tsx';
import { usePatterns } from './use-patterns.ts';

/** Fields of other kinds than `pattern`. */
const KindBand = dynamic(() => import('./kind-band.tsx').then((own) => own.KindBand));
/** Needed only if the text in the field does not fit the pattern that is drawn. */
const KindRuler = dynamic(() => import('./kind-ruler.tsx').then((own) => own.KindRuler));
/** Few fields have several patterns. */
const PatternList = dynamic(() => import('./pattern-list.tsx').then((own) => own.PatternList));

/**
 * The definition of a field: specimen and ruler on one grid, an inline panel between them, the pattern as
 * text below.
 */
export function DefinitionBand(props: BandProps) {
  const { definition } = props;
  return hasNotation(definition) ? (
    <OfPattern {...props} definition={definition} />
  ) : (
    <KindBand {...props} definition={definition} />
  );
}

/** Specimen and ruler of one pattern. */
function PatternGrid({
  of,
  definition,
  field,
}: {
  readonly of: ReturnType<typeof usePatterns>;
  readonly definition: FieldDocument;
  readonly field: Field;
}) {
  const { notation, plan, classNames, shown, used, setPattern } = of;
  const { open, setOpen, close, buttons } = useOpenPart();
  const { columns, spans } = useMemo(
    () => columnsOf(notation.nodes, plan, sampleCells(plan)),
    [notation, plan],
  );
  const path = open === null ? null : open.split('.').map(Number);
  const opened = path && partAt(notation.nodes, path);
  return (
    <BandGrid columns={columns.length}>
      <Specimen
        notation={notation}
        columns={columns}
        spans={spans}
        open={open}
        buttons={buttons}
        onOpen={setOpen}
        onChange={setPattern}
      />
      {path && opened && (
        <InlinePanel
          key={open}
          label={words.editWithInWords(inWords(opened))}
          needs={PartEditor}
          onClose={close}
        >
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
      <div className="ruler-band">
        <div className="once-done">
          <OnceDone isDone={open !== null} />
        </div>
        {shown === used ? (
          <Ruler plan={plan} state={field.state as FieldState<PatternBody>} columns={columns} />
        ) : (
          // What is typed is not laid out by the pattern that is drawn.
          <KindRuler field={field} sample="" />
        )}
        <Facts definition={definition} field={field} />
      </div>
    </BandGrid>
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
      <PatternGrid of={own} definition={definition} field={field} />
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
        key={shown}
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
