import type { CheckTable } from '../checks/contract.ts';
import { definitionOf, typesOfChecks } from '../checks/registry.ts';
import { most } from '../faults/limits.ts';
import { reservedNames } from '../field/field-name.ts';
import { attributeNames } from '../field/html.ts';
import type { Definition, KindTable } from '../kinds/contract/definition.ts';
import { mayBeLeftOut } from '../options/option.ts';
import { type Schema, schemaOf, schemaOfMembers } from '../options/schema.ts';
import { filled, listOf, shape, text } from '../options/shapes.ts';
import { pluralCategories } from '../rules/wording.ts';
import { documentVersion } from './versions.ts';

/**
 * What the schema leaves to the reader, because no schema can say it: mistakes inside a text in a language of
 * its own (notation, expression, code, tape, characters of a class, data in a message), values against each
 * other (what is said of other fields, what a kind can be compared by, bounds, groups and length, patterns of
 * a list, concealment and lines, choices that repeat, ids that meet or repeat, an initial value and its
 * field), whether a code or a locale is known, and how a limit of a kind is written. The schema describes the
 * current version of documents; the reader also reads older ones.
 */
const word: Schema = { type: 'string', maxLength: most.id, pattern: '^[A-Za-z][\\w-]*$' };
const texts: Schema = listOf(text);
/** The schema of each check. */
const checkSchema = (checks: CheckTable): Schema => ({
  type: 'object',
  required: ['type'],
  oneOf: typesOfChecks(checks).map((type) => {
    const { options, rest } = definitionOf(type, checks);
    return schemaOfMembers(options, { type: { const: type } }, rest);
  }),
});

const value: Schema = { type: ['string', 'number', 'boolean', 'null'], maxLength: most.characters };

const condition: Schema = {
  type: 'object',
  oneOf: [
    shape({ field: text, is: { anyOf: [value, listOf(value, { minItems: 1 })] } }, ['field', 'is']),
    ...['all', 'any'].map((key) =>
      shape({ [key]: listOf({ $ref: '#/$defs/condition' }, { minItems: 1, maxItems: most.conditions }) }, [
        key,
      ]),
    ),
    shape({ not: { $ref: '#/$defs/condition' } }, ['not']),
  ],
};

const plural: Schema = shape(
  {
    by: { ...text, description: 'The number of the check that the forms go by.' },
    ...Object.fromEntries(pluralCategories.map((form) => [form, { $ref: '#/$defs/filled' }])),
  },
  ['by', 'other'],
);

/** Members of every rule, of a field or of a form. */
const ofRule: Schema = {
  id: { $ref: '#/$defs/word' },
  check: { $ref: '#/$defs/check' },
  say: { anyOf: [{ $ref: '#/$defs/filled' }, plural] },
  code: { $ref: '#/$defs/word' },
  show: { enum: ['at-once', 'leave', 'submit'], default: 'leave' },
  severity: { enum: ['error', 'warning'], default: 'error' },
  when: { $ref: '#/$defs/condition' },
  refused: { enum: ['keep', 'clear'], default: 'keep' },
  samples: shape({ pass: texts, fail: texts }),
};

const rule: Schema = shape(ofRule, ['id', 'check']);
const formRule: Schema = shape({ ...ofRule, field: text }, ['id', 'field', 'check']);

const places: Schema = listOf({ $ref: '#/$defs/word' }, { uniqueItems: true });
const form: Schema = shape(
  {
    id: { $ref: '#/$defs/word' },
    title: text,
    fields: places,
    sections: listOf(
      shape({ title: text, columns: { enum: [1, 2], default: 1 }, fields: places }, ['fields']),
    ),
    submit: { enum: ['when-ready', 'always'], default: 'always' },
    completes: { $ref: '#/$defs/word' },
    unanswered: { enum: ['hold', 'let-through'], default: 'hold' },
    rules: listOf(formRule, { maxItems: most.rules }),
  },
  ['id'],
  { oneOf: [{ required: ['fields'] }, { required: ['sections'] }] },
);

const trial: Schema = shape(
  {
    id: { $ref: '#/$defs/word' },
    name: { $ref: '#/$defs/filled' },
    why: text,
    tape: {
      type: 'string',
      maxLength: most.tape,
      pattern: '(^|\\n)[^\\S\\n]*expect\\s',
      description: 'The text of a tape that expects something.',
    },
  },
  ['id', 'tape'],
);

/** The checks that fields of a kind may have. */
function rulesOf({ pointless = [], limits }: Definition, checks: CheckTable): Schema {
  const possible = typesOfChecks(checks).filter(
    (type) => !pointless.some((one) => one === type) && (type !== 'range' || limits),
  );
  const steps = limits && !limits.hasSteps ? { step: false } : {};
  const checked = { type: 'object', properties: { type: { enum: possible }, ...steps } };
  return { type: 'array', items: { type: 'object', properties: { check: checked } } };
}

function field(kinds: KindTable, checks: CheckTable): Schema {
  return {
    ...shape(
      {
        id: { $ref: '#/$defs/word' },
        name: {
          type: 'string',
          minLength: 1,
          maxLength: most.id,
          pattern: '\\S',
          not: { pattern: reservedNames },
          description: 'Its key in records and `FormData`. Default: the id.',
        },
        kind: { enum: Object.keys(kinds) },
        label: { $ref: '#/$defs/filled' },
        hint: text,
        placeholder: text,
        locale: { $ref: '#/$defs/locale' },
        language: { $ref: '#/$defs/locale' },
        initial: { ...text, description: 'Raw value to begin with.' },
        messages: { enum: ['first', 'all'], default: 'first' },
        entry: { type: 'object' },
        html: {
          type: 'object',
          description: 'Attributes of the input; only these.',
          additionalProperties: { type: ['string', 'boolean'], maxLength: most.characters },
          propertyNames: { enum: attributeNames },
        },
        look: {
          description: 'How the exported field is drawn.',
          ...shape(
            {
              label: { enum: ['above', 'beside', 'inside'], default: 'above' },
              size: { enum: ['small', 'medium', 'large'], default: 'medium' },
              before: { type: 'string', minLength: 1, maxLength: 20 },
              behind: { type: 'string', minLength: 1, maxLength: 20 },
              width: { type: 'integer', minimum: 1, maximum: 80, description: 'In characters.' },
              icon: { type: 'string', maxLength: 4000, description: 'SVG of shapes alone.' },
            },
            [],
          ),
        },
        rules: listOf({ $ref: '#/$defs/rule' }, { maxItems: most.rules }),
        sameValueAs: {
          $ref: '#/$defs/filled',
          description: 'Id of a field of the same kind whose value it shows and changes.',
        },
        when: { $ref: '#/$defs/condition' },
      },
      ['id', 'kind', 'label'],
    ),
    allOf: Object.entries(kinds).map(([name, { define }]) => ({
      if: { properties: { kind: { const: name } }, required: ['kind'] },
      // biome-ignore lint/suspicious/noThenProperty: the schema's own word (JSON Schema, applicators)
      then: {
        properties: { entry: { $ref: `#/$defs/entry-${name}` }, rules: rulesOf(define, checks) },
        ...(mayBeLeftOut(define.options) ? {} : { required: ['entry'] }),
      },
    })),
  };
}

/**
 * The JSON Schema (2020-12) of documents with these kinds, for editors and other tools. `checks` are checks
 * that do not come with this package.
 *
 * @example
 * const schema = documentSchema(kinds);
 */
export function documentSchema(kinds: KindTable, checks: CheckTable = {}): Schema {
  const entries = Object.entries(kinds).map(([name, { define }]) => [
    `entry-${name}`,
    schemaOf(define.options),
  ]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Arbeit set',
    description: 'The fields and forms of one project. Files are named *.arbeit.json.',
    ...shape(
      {
        arbeit: { const: documentVersion, description: 'Version of this format.' },
        title: { $ref: '#/$defs/filled' },
        locale: { $ref: '#/$defs/locale' },
        language: { $ref: '#/$defs/locale' },
        classes: {
          description: 'Named classes of characters for patterns: characters and a-z ranges.',
          type: 'object',
          maxProperties: most.classes,
          propertyNames: { pattern: '^[A-Za-z][\\w-]*$' },
          additionalProperties: { ...text, minLength: 1 },
        },
        fields: listOf({ $ref: '#/$defs/field' }),
        forms: listOf({ $ref: '#/$defs/form' }),
        trials: {
          description: 'Tapes that expect something.',
          ...listOf({ $ref: '#/$defs/trial' }),
        },
        texts: {
          description: 'Texts in other languages, by language and by name (fields/phone/label).',
          type: 'object',
          maxProperties: most.languages,
          propertyNames: { $ref: '#/$defs/locale' },
          additionalProperties: {
            type: 'object',
            maxProperties: most.texts,
            propertyNames: { pattern: '^(?:fields|forms)/[\\w-]+/[\\w-]+(?:/.+)?$' },
            additionalProperties: { anyOf: [{ $ref: '#/$defs/filled' }, plural] },
          },
        },
      },
      ['arbeit', 'title', 'locale', 'fields'],
    ),
    $defs: {
      filled,
      word,
      locale: {
        description: 'A language tag (BCP 47). "locale" sets formats, "language" the language of messages.',
        type: 'string',
        maxLength: most.characters,
        pattern: '^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$',
      },
      field: field(kinds, checks),
      ...Object.fromEntries(entries),
      rule,
      check: checkSchema(checks),
      condition,
      form,
      trial,
    },
  };
}
