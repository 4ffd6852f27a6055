import type { EditResult } from '../../field/text-state.ts';
import { daysIn } from '../../values/calendar.ts';
import { itemAt } from '../../values/item-at.ts';
import { closeAll, isFull, type PartsBody, type PartsPlan } from '../editing/parts.ts';

/** A plan with the parts of a date; `day` is -1 for a month. */
interface DateParts extends PartsPlan {
  readonly day: number;
  readonly month: number;
  readonly year: number;
  readonly pivot: number;
}

/** What stepping needs of a kind. */
interface Stepping<P> {
  lay(plan: P, texts: readonly string[]): PartsBody;
  close(plan: P, part: number, text: string): string;
  stepped(
    plan: P,
    body: PartsBody,
    caret: number,
    by: 1 | -1,
    from: (part: number) => number,
  ): EditResult<PartsBody>;
}

/** The part at the caret one higher or lower, with the day inside its month. */
export function stepDate<P extends DateParts>(
  { lay, close, stepped }: Stepping<P>,
  plan: P,
  body: PartsBody,
  caret: number,
  by: 1 | -1,
): EditResult<PartsBody> {
  const { day, month, year, pivot, parts } = plan;
  // A two-digit year is completed before anything steps: 84 and down is 1983, not the year 83.
  const full = closeAll(plan, body, (_, part, text) => (part === year ? close(plan, part, text) : text), lay);
  const at = caret > itemAt(body.at, year) ? caret + full.display.length - body.display.length : caret;
  const result = stepped(plan, full, at, by, (part) => {
    if (part === year) return pivot > 0 ? 2000 : 1900;
    return itemAt(parts, part)[by > 0 ? 'low' : 'high'];
  });
  const { texts } = result.body;
  const [y = '', m = '', d = ''] = [year, month, day].map((part) => texts[part] ?? '');
  // The day is limited to the length of the month, whichever part was stepped.
  if (d.length < 2 || m.length < 2) return result;
  const most = daysIn(isFull(itemAt(parts, year), y) ? +y : 2000, +m);
  if (+d <= most) return result;
  const clamped = lay(
    plan,
    texts.map((text, i) => (i === day ? `${most}` : text)),
  );
  return { body: clamped, caret: result.caret };
}
