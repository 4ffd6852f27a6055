import { most } from '../faults/limits.ts';
import {
  type CheckOptions,
  type Limit,
  type ListItem,
  type Option,
  type Options,
  pickForm,
} from './option.ts';

/** A JSON Schema, draft 2020-12. */
export type Schema = Readonly<Record<string, unknown>>;

/**
 * The schema of an entry with these options. What a schema cannot express (`check`, bounds against each
 * other) is left to the reader.
 */
export function schemaOf(options: Options): Schema {
  return schemaOfMembers(options);
}

/** The same with further members beside the options, such as the type of a check. */
export function schemaOfMembers(options: CheckOptions, beside: Schema = {}, rest: Schema = {}): Schema {
  const needed = Object.keys(options).filter((key) => options[key]!.needed);
  return {
    type: 'object',
    ...(needed.length ? { required: needed } : {}),
    additionalProperties: false,
    properties: {
      ...beside,
      ...Object.fromEntries(
        Object.entries(options).map(([key, option]) => [
          key,
          { ...schemaOfOption(option), ...wordsOf(option) },
        ]),
      ),
    },
    ...rest,
  };
}

function wordsOf(option: Option | Limit): Schema {
  return {
    description: option.about ?? `${option.label}.`,
    ...('usual' in option && option.usual !== undefined ? { default: option.usual } : {}),
  };
}

function schemaOfOption(option: Option | Limit): Schema {
  switch (option.is) {
    case 'limit':
      return { type: ['string', 'number'], maxLength: most.id };
    case 'bounds': {
      const bound = { type: 'integer', minimum: option.min, maximum: option.max };
      return { type: 'object', additionalProperties: false, properties: { min: bound, max: bound } };
    }
    case 'picks': {
      const text = (key: keyof typeof pickForm): Schema => ({
        type: 'string',
        maxLength: most.characters,
        pattern: pickForm[key],
      });
      return {
        type: 'array',
        minItems: option.least,
        maxItems: most.items,
        items: {
          type: 'object',
          required: ['value', 'label'],
          additionalProperties: false,
          properties: { value: text('value'), label: text('label') },
        },
      };
    }
    case 'list': {
      const list = {
        type: 'array',
        ...(option.least ? { minItems: option.least } : {}),
        maxItems: option.most ?? most.items,
        items: schemaOfItem(option.of),
      };
      return option.any === undefined ? list : { anyOf: [{ const: option.any }, list] };
    }
    case 'text': {
      const one = schemaOfItem(option);
      const { orList } = option;
      return orList === undefined
        ? one
        : { anyOf: [one, { type: 'array', minItems: 1, maxItems: orList, items: one }] };
    }
    default:
      return schemaOfItem(option);
  }
}

function schemaOfItem(item: ListItem | Exclude<Option, { is: 'list' | 'bounds' | 'picks' }>): Schema {
  switch (item.is) {
    case 'choice':
      return { enum: item.choices.map(([value]) => value) };
    case 'whole':
      return { type: 'integer', minimum: item.min, maximum: item.max };
    case 'text':
      // A list that depends on the platform would make the schema depend on it: its syntax is used instead.
      if (item.among && item.form === undefined) return { enum: item.among() };
      return {
        type: 'string',
        maxLength: item.isCode ? most.code : most.characters,
        ...(item.form ? { pattern: item.form } : {}),
      };
  }
}
