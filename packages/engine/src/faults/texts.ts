import type { Texts } from './say.ts';

// All errors of this package by area, except those of a single kind or check, which are in its folder. Codes
// stay; texts may be reworded. `docs/errors.md` lists them. Areas are apart, so that a page that needs one of
// them does not load the others.

/** Errors in a document. */
export const documentTexts = {
  'too-deep': 'Objects and lists are nested too deeply here (maximum {most} levels).',
  'more-errors': '…and {count} more errors.',
  'more-errors/one': '…and 1 more error.',
  'not-object': 'Expected an object, found {found}.',
  'not-object-of': 'Expected an object of {what}, found {found}.',
  'unknown-property': 'Unknown property "{name}". Expected {known}.',
  missing: '"{name}" is missing.',
  'not-string': 'Expected a string, found {found}.',
  'too-long': 'This text is too long. The maximum is {most} characters.',
  blank: 'Expected a non-empty string.',
  'not-natural': 'Expected an integer of 0 or more, found {found}.',
  'not-in-range': 'Expected an integer from {min} to {max}, found {found}.',
  'not-boolean': 'Expected true or false, found {found}.',
  'not-one-of': 'Expected {known}, found {found}.',
  'not-list': 'Expected a list, found {found}.',
  'list-too-long': 'This list has {count} items. The maximum is {most}.',
  'list-too-short': 'Expected at least {least} items.',
  'list-empty': 'Expected at least one item.',
  'list-empty/or-word': 'Expected at least one item, or "{word}".',
  'max-below-min': '"max" is below "min" ({min}).',
  'invalid-id': 'An id must start with a letter and may contain letters, digits, "-" and "_".',
  'duplicate-id': 'The id "{id}" is used twice.',
  'unknown-version': 'Unknown document version: {found}. Expected {known}.',
  'too-many': 'The maximum is {most} {what}.',
  'invalid-text-name': 'Expected the place of a text, e.g. "fields/phone/label".',
  'invalid-language': '"{tag}" is not a valid language tag (BCP 47).',
  'unknown-language': 'Unknown locale "{tag}".',
  'invalid-class-name': 'A class name must start with a letter and may contain letters, digits, "-" and "_".',
  'reserved-class-name': '"{name}" is a reserved word of the pattern notation. Choose another name.',
  'unknown-attribute': 'Attribute "{name}" is not allowed. Expected {known}.',
  'invalid-attribute': 'Expected a text, or true for an attribute without a value.',
  'invalid-affix': 'A prefix or suffix must be a single line of at most {most} characters.',
  'fields-or-sections': 'A form needs either "fields" or "sections", not both.',
  'field-twice': 'The field "{id}" is in this form twice.',
  'unknown-field': 'No field has the id "{id}".',
  'field-not-in-form': 'The form has no field "{id}".',
  'reserved-field-name': 'A form cannot submit a field as “{name}”. Choose a different name.',
  'name-twice': 'The fields “{one}” and “{other}” have the same name in this form: “{name}”.',
  'needed-field-not-in-form': 'The form must include "{needed}", because "{id}" depends on it.',
  'compared-with-itself': 'A field cannot be compared with itself. Choose another field.',
  'not-comparable': 'A {own} field cannot be compared with a {other} field by "{op}".',
  'same-value-as-itself': 'A field cannot share its value with itself. Choose another field.',
  'same-value-other-kind': 'A {own} field cannot share the value of a {other} field.',
  'same-value-chain': '"{id}" itself shares the value of "{leader}". Refer to "{leader}".',
  'impossible-value': '{value} is not a possible value of "{id}".',
  'impossible-value/choice': '{value} is not a possible value of "{id}". Expected {known}.',
  'circular-condition': 'Circular condition: {circle}.',
  'invalid-initial/part': 'Invalid initial value: the field does not accept {part}.',
  'invalid-initial': 'Invalid initial value: the field accepts none of its characters.',
  'code-syntax': 'The code has a syntax error (line {line}, column {column} of the code): {message}.',
  'invalid-option': '{found} is not allowed here.',
  'invalid-offer-value':
    'The value of an option must be one line of 1 to 100 characters without a space at its ends.',
  'invalid-offer-label':
    'The label of an option must be a single line of at most 200 characters, without ";".',
  'duplicate-offer-value': 'Another option already has this value.',
  'duplicate-offer-label': 'Another option already has this label.',
  'ambiguous-offer-label': 'This label could be read as the values of other options. Choose another label.',
} as const satisfies Texts;

/** Errors in rules, conditions, messages and trials. */
export const ruleTexts = {
  'invalid-code': 'A code may contain only letters, digits, "-" and "_".',
  'invalid-condition': 'A condition needs exactly one of "field" (with "is"), "all", "any" and "not".',
  'is-without-field': '"is" can only be used together with "field".',
  'field-without-is': '"is" is missing: the value that the field must have.',
  'no-condition': 'Expected at least one condition.',
  'no-value': 'Expected at least one value.',
  'invalid-condition-value': 'Expected a value, true, false or null, found {found}.',
  'unknown-plural-number': '"by" must name a number of the check: {known}.',
  'no-plural-number':
    'A "{type}" check has no number, so its message cannot have plural forms. Use a single text.',
  'unknown-placeholder': 'Unknown placeholder {name}. Available for "{type}": {known}.',
  'pointless-check': 'A {kind} field cannot have a "{type}" check.',
  'trial-syntax': 'Line {line}, column {column} of the tape: {message}',
  'no-expectations': 'This trial has no expectations. Add a line such as “expect codes none”.',
} as const satisfies Texts;

/** Rules that contradict each other or have no effect. */
export const contradictionTexts = {
  'unknown-limit': 'The message uses {name}, but this rule has no such limit: nothing would be shown there.',
  'disjoint-limits': 'The minimum of one rule is above the maximum of the other: no value passes both.',
  'second-has-no-effect':
    'The second rule has no effect: the first one already rejects everything it rejects.',
  'nothing-passes': 'No complete value of this field passes this rule.',
  'rule-has-no-effect': 'This rule has no effect: every complete value of the field passes it.',
  'nothing-passes-both': 'These rules contradict each other: no value passes both.',
} as const satisfies Texts;

/** Errors in a pattern. */
export const patternTexts = {
  'no-cell': 'Nothing can be typed here. A pattern needs a cell, e.g. <4 digit>.',
  'too-many-cells': 'Too many cells: {count} (maximum {most}).',
  'unclosed-group': 'Optional group is not closed. Expected ">".',
  'groups-too-deep': 'Optional groups are nested too deeply (maximum {most}).',
  'group-without-cell':
    'Nothing can be typed into this optional group, so it would never be shown. Add a cell.',
  'unclosed-cell': 'This cell is not closed. Expected ">". Write "<<" for a "<" that is shown.',
  'empty-cell': 'Empty cell. Expected what it accepts, e.g. digit.',
  'number-without-digits': 'A number range needs digits on both sides of "..".',
  'number-with-more-bounds': 'A number range has exactly two bounds.',
  'number-of-two-widths': 'Both bounds must have the same number of digits, e.g. 00..09.',
  'number-reversed': 'The lower bound must come first.',
  'choice-without-word': 'Expected a word on both sides of "|".',
  'choice-with-space': 'Words of a choice cannot contain spaces.',
  'choice-twice': '"{word}" appears twice in this choice.',
  'count-without-class': 'Missing character class after the count, e.g. <3 digit>.',
  'count-zero': 'A count must be at least 1.',
  'count-reversed': 'The smaller count must come first.',
  'unknown-modifier': 'Unknown modifier "{word}". Expected upper or lower.',
  'two-modifiers': 'Use only one of upper and lower.',
  'unclosed-quote': 'Missing closing quote.',
  'unknown-count':
    '"{text}" is neither a count nor a character class. Expected a count, a space and one of {known}.',
  'unknown-class':
    'Unknown "{text}". Expected {known}, characters in quotes, a number range such as 00..59, or words separated by "|".',
  'class-empty': 'Empty character class. Example: "0-9A-F".',
  'class-of-clusters': '"{text}" consists of several code points and cannot be used in a character class.',
  'class-range-reversed': 'The range {from}-{to} is reversed. Write {to}-{from}.',
} as const satisfies Texts;

/** Errors in the expression of a `matches` rule. */
export const expressionTexts = {
  'expression-too-long': 'The expression is too long (maximum {most} characters).',
  'expression-too-large': 'Expression too large: {count} parts when counts are expanded (maximum {most}).',
  'unmatched-parenthesis': 'Unmatched ")".',
  'groups-too-deep': 'Groups are nested too deeply (maximum {most}).',
  'misplaced-start':
    'The rule matches the whole value, so "^" can only come first. Write "\\^" for the character itself.',
  'misplaced-end':
    'The rule matches the whole value, so "$" can only come last. Write "\\$" for the character itself.',
  'lookahead-in-group': 'A look-ahead is only possible outside groups. Use a separate rule.',
  'count-too-large': 'Counts above {most} are not supported. Use "*" or a length rule.',
  'count-reversed': 'The smaller count must come first.',
  'count-unfinished': 'Incomplete count. Expected {2}, {2,} or {2,4}. Write "\\{" for the character itself.',
  'nothing-to-repeat': 'There is nothing to repeat here.',
  'nothing-before-quantifier':
    'There is nothing to repeat before "{sign}". Write "\\{sign}" for the character itself.',
  'unclosed-parenthesis': 'This group is not closed. Expected ")".',
  lookbehind: 'Lookbehind is not supported. Use a second rule.',
  'unknown-group': 'Unknown group syntax. Expected (…), (?:…) or (?<name>…).',
  'unmatched-sign': 'Unmatched "{sign}". Write "\\{sign}" for the character itself.',
  'lone-backslash': 'A single "\\" at the end. Write "\\\\" for the character itself.',
  backreference: 'Backreferences are not supported. Use a separate rule.',
  'word-boundary': '\\b is not supported. List the allowed characters instead.',
  'unclosed-class': 'This character class is not closed. Expected "]".',
  'unknown-property-class': 'Unknown Unicode property. Expected one such as \\p{L} or \\p{Script=Greek}.',
  'class-range-of-classes': 'A range needs a single character on both sides of "-".',
  'class-range-reversed': 'This range is reversed.',
  'unknown-escape': 'Unknown escape "\\{sign}". Write "{sign}" for the character itself.',
} as const satisfies Texts;

/** Errors in the SVG of an icon. */
export const iconTexts = {
  'icon-too-long': 'An icon can have at most {most} characters.',
  'icon-text': 'Only SVG shapes are allowed in an icon. Found “{found}”.',
  'icon-closing-tag': '“{tag}” has no opening tag.',
  'icon-without-svg': 'An icon must start with <svg>.',
  'icon-unclosed': '<{name}> is not closed.',
  'icon-nesting': 'An icon must be one <svg> that contains shapes.',
  'icon-element': '<{name}> is not allowed in an icon. Expected {known}.',
  'icon-attribute': 'Attribute “{name}” is not allowed in an icon.',
  'icon-attribute-value': '“{value}” is not an allowed value of {name}.',
} as const satisfies Texts;

/** Errors in a tape. */
export const tapeTexts = {
  'two-targets': 'A tape can have only one “field” or “form” line.',
  'no-target': 'Expected a line such as "field phone" or "form booking" before the first action.',
  'invalid-date': '"{text}" is not a date. Use the form 2027-02-10.',
  'unknown-action': 'Unknown action "{word}". Expected one of: {known}.',
  'unknown-action/meant': 'Unknown action "{word}". Did you mean "{meant}"?',
  'expected-quoted': 'Expected a text in double quotes.',
  expected: 'Expected {what}.',
  'expected-verdict': 'Expected pass, open or fail.',
  'expected-answer': 'Expected pass or fail.',
  'expected-time': 'Expected a time such as 300ms or 2s.',
  'expected-codes': 'Expected the codes of the shown messages, or none.',
  'expected-record': 'Expected the record as JSON: an object with a text or null per field.',
  'expected-end-or-none': 'Expected the end of the line, or none.',
  'too-many-carets':
    'Too many "|": one marks the caret, two a selection. Write \\\\| for the character itself.',
  'unknown-flag': 'Unknown flag "{word}". Expected {known}, with "!" for not.',
  'expected-flags': 'Expected flags: {known}, with "!" for not.',
  'unknown-expectation': 'Unknown expectation "{word}". Expected one of: {known}.',
  'unknown-expectation/meant': 'Unknown expectation "{word}". Did you mean "{meant}"?',
  'expected-number': 'Expected {what} (an integer).',
  'end-of-line': 'Expected the end of the line.',
  'unknown-tape-escape': 'Unknown escape in this text. Expected \\", \\\\, \\n, \\t or \\u0041.',
  'unclosed-tape-text': "This text is not closed. Expected '\"'.",
} as const satisfies Texts;

/** Why a tape cannot be played on a set. */
export const playTexts = {
  'unknown-target/field': 'The document has no field "{id}".',
  'unknown-target/form': 'The document has no form "{id}".',
  'no-field-here': 'This tape cannot use the field "{id}".',
  'no-rule-here': 'The field "{id}" has no rule or code "{rule}".',
  'no-pending-check': 'The rule "{rule}" has no pending server check.',
  'nothing-sent': 'Nothing is being sent.',
} as const satisfies Texts;

/** What a custom check returned that it must not. Shown to its developer. */
export const codeTexts = {
  'answer-type': 'The check returned a {type}. Expected nothing or an object.',
  'answer-promise': 'The check returned a promise. Checks must be synchronous.',
  'answer-property': 'The check returned "{name}". Expected "code", "data", "open" or "facts".',
  'answer-code': 'The "code" that the check returned may contain only letters, digits, "-" and "_".',
  'answer-data': 'The "{name}" that the check returned must be an object of strings and numbers.',
} as const satisfies Texts;
