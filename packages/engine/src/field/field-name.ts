/**
 * The name of a field outside of its form: its key in records and `FormData`, and the name of its control
 * (HTML). The id, unless its definition has a name.
 *
 * @example
 * fieldName({ id: 'full-name', name: 'full_name' }); // 'full_name'
 */
export const fieldName = ({
  id,
  name,
}: {
  readonly id: string;
  readonly name?: string | undefined;
}): string => name ?? id;

/**
 * Names that no field can have, as a regular expression. Forms do not submit under them, or not with the
 * value of the control, or not unchanged (HTML, form submission); `__proto__` is no key of an object.
 */
export const reservedNames =
  '^(?:[iI][sS][iI][nN][dD][eE][xX]|_[cC][hH][aA][rR][sS][eE][tT]_|__proto__)$|[\\u0000-\\u001f\\u007f]';
