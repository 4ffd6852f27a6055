'use client';

import type { FieldDocument } from '@arbeit/engine/document';
import { graphemes } from '@arbeit/engine/values';
import { useMemo, useState } from 'react';
import { useAnswers, withCustomCode } from '../../field/custom-code/use-custom-code.ts';
import { useKinds } from '../../field/kinds-provider.tsx';
import { sampleOf } from '../../model/sample.ts';
import * as words from '../../words/desk/kind-band.ts';
import { AllOptions } from './all-options.tsx';
import { BandGrid, useOpenPart } from './band-grid.tsx';
import type { BandProps } from './band-props.ts';
import { Facts } from './facts.tsx';
import { InlinePanel } from './inline-panel.tsx';
import { KindRuler } from './kind-ruler.tsx';
import { isInText, KindSpecimen } from './kind-specimen.tsx';
import { OnceDone } from './once-done.tsx';
import { OptionEditors } from './option-editors-later.ts';

/** Specimen and ruler of a field of any kind but `pattern`. */
export function KindBand({ definition, field, set, onChange }: BandProps) {
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
  const sample = pieces
    .filter(isInText)
    .map(({ text }) => text)
    .join('');
  const specimen = graphemes(sample).length;
  return (
    <BandGrid columns={Math.max(specimen, graphemes(field.state.body.display).length)} specimen={specimen}>
      <KindSpecimen pieces={pieces} shown={shown} open={open} buttons={buttons} onOpen={setOpen} />
      {opened && (
        <InlinePanel
          key={opened.part}
          label={words.editWithCaption(opened.caption)}
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
      <div className="ruler-band">
        <div className="once-done">
          <OnceDone isDone={open !== null} />
          <AllOptions definition={definition} pieces={pieces} onOpen={setOpen} />
        </div>
        <KindRuler field={field} sample={sample} />
        <Facts definition={definition} field={field} />
      </div>
    </BandGrid>
  );
}
