import { Labelled } from '../../ui/labelled.tsx';

/** A list of the fields of a form, by label. */
export function FieldSelect({
  label,
  value,
  fields,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly fields: readonly { readonly id: string; readonly label: string }[];
  readonly onChange: (field: string) => void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <select id={id} className="entry" value={value} onChange={({ target }) => onChange(target.value)}>
          {fields.map((field) => (
            <option key={field.id} value={field.id}>
              {field.label || field.id}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}
