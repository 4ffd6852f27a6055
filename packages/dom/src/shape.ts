import type { HydratedField } from '@arbeit/engine/field';
import { controlAttributesOf } from './attributes.ts';
import { groupsOf } from './boxes.ts';

/** How the control of a field is drawn in HTML. */
export interface ControlShape {
  /** A line or several lines of text, a list, or a group of buttons of this type. */
  readonly control: 'input' | 'textarea' | 'select' | 'radio' | 'checkbox';
  /** Lines of a text area, or 1. */
  readonly rows: number;
  /** The sizes of the groups of boxes that are drawn under an input; empty for other fields. */
  readonly groups: readonly number[];
  /** What is picked from: the value that is submitted, and its text. */
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

/** The members of a plan that say how its control is drawn. */
interface Drawn {
  readonly lines?: number;
  readonly draw?: string;
  readonly options?: ControlShape['options'];
}

/**
 * How the control of a field is drawn in HTML, for pages that draw it themselves.
 *
 * @example
 * const { control, options } = shapeOf(pass);
 */
export function shapeOf(field: Pick<HydratedField, 'kind' | 'plan'>): ControlShape {
  const { lines: rows = 1, draw, options = [] } = field.plan as Drawn;
  if (field.kind.control !== 'picks')
    return { control: rows > 1 ? 'textarea' : 'input', rows, groups: groupsOf(field), options: [] };
  const control = draw === 'list' ? 'select' : draw === 'tick' ? 'checkbox' : 'radio';
  return { control, rows: 1, groups: [], options };
}

/** Attributes of HTML by name. */
export type Attributes = Readonly<Record<string, string | boolean>>;

/** The attributes that connect the parts of a field on a page. */
export interface FieldParts {
  /** Of the `<label>`; of a group of buttons, of the element that names it. */
  readonly labelProps: Attributes;
  /** Of the control, or of the element around a group of buttons. */
  readonly inputProps: Attributes;
  readonly hintProps: Attributes;
  /** Of the element for messages, which must always be there. */
  readonly messageProps: Attributes;
}

/**
 * The attributes that connect label, control, hint and message of a field by ids that begin with `id`.
 *
 * @example
 * const { labelProps, inputProps } = partsOf(pass, 'pass');
 */
export function partsOf(field: HydratedField, id: string): FieldParts {
  const { control, rows } = shapeOf(field);
  const isGroup = control === 'radio' || control === 'checkbox';
  const message = `${id}-message`;
  return {
    labelProps: { id: `${id}-label`, ...(isGroup ? { 'data-arbeit': 'label' } : { for: `${id}-input` }) },
    inputProps: {
      ...controlAttributesOf(field),
      id: `${id}-input`,
      ...(control === 'textarea' ? { rows: String(rows) } : {}),
      ...(isGroup ? { 'aria-labelledby': `${id}-label` } : {}),
      ...(control === 'input' || control === 'textarea'
        ? {}
        : { 'data-draw': (field.plan as Drawn).draw ?? 'list' }),
      'aria-describedby': field.hint ? `${id}-hint ${message}` : message,
    },
    hintProps: { id: `${id}-hint`, 'data-arbeit': 'hint' },
    messageProps: { id: message, 'aria-live': 'polite', 'data-arbeit': 'message' },
  };
}
