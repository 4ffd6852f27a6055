'use client';

import type { Compared } from '@arbeit/engine/proof';
import { Mark, type Shape } from '../../ui/mark.tsx';
import { Scrolled } from '../../ui/scrolled.tsx';
import * as texts from '../../words/set/found.ts';
import './found.css';

const words: Readonly<Record<Compared['is'], string>> = {
  added: texts.added,
  removed: texts.removed,
  same: texts.unchangedWord,
  other: texts.behavesDifferently,
  alike: texts.definitionDiffers,
};
const shapes: Readonly<Record<Compared['is'], Shape>> = {
  added: 'full',
  removed: 'barred',
  same: 'dot',
  other: 'half',
  alike: 'hollow',
};
/** The order of the results: most important first. */
const order = ['other', 'added', 'removed', 'alike'] as const;

/** The differences in behaviour of two sets. `before` and `after`: what each of the two is called. */
export const AllFound = ({
  compared,
  before,
  after,
}: {
  readonly compared: readonly Compared[];
  readonly before: string;
  readonly after: string;
}) => (
  <ul aria-label={texts.whatWasFound}>
    {order.flatMap((kind) =>
      compared
        .filter((one) => one.is === kind)
        .map((one) => (
          <Found key={`${one.target.type} ${one.target.id}`} one={one} before={before} after={after} />
        )),
    )}
  </ul>
);

/** The difference of one field or form: the tape, and what each of the two shows at its end. */
function Found({
  one: { is, name, target, tape, values },
  before,
  after,
}: {
  readonly one: Compared;
  readonly before: string;
  readonly after: string;
}) {
  return (
    <li className="found" data-is={is}>
      <Mark shape={shapes[is]} size={11} />
      <div className="min-w-0">
        <p>
          <b className="font-semibold">{name}</b> {words[is]}
          {target.type === 'form' ? texts.form : ''}
        </p>
        {values?.before !== undefined && (
          <p>
            {texts.noLongerAccepted} <span className="value">{values.before}</span>
          </p>
        )}
        {values?.after !== undefined && (
          <p>
            {texts.newlyAccepted} <span className="value">{values.after}</span>
          </p>
        )}
        {tape && (
          <Scrolled label={texts.differencesIn(name)}>
            <table className="rulers-of-both">
              <tbody>
                <Lines head={texts.keys} lines={tape.actions} />
                <Lines head={before} lines={tape.before.map(fact)} />
                <Lines head={after} lines={tape.after.map(fact)} />
              </tbody>
            </table>
          </Scrolled>
        )}
      </div>
    </li>
  );
}

/** An expectation as a statement. */
const fact = (line: string): string => line.replace(/^expect /, '');

const Lines = ({ head, lines }: { readonly head: string; readonly lines: readonly string[] }) => (
  <tr>
    <th scope="row">{head}</th>
    <td className="value">{lines.join('\n')}</td>
  </tr>
);
