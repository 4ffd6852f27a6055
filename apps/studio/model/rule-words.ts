import { wordsOfCheck } from '@arbeit/engine/check-words';
import type { CheckDocument, RuleDocument } from '@arbeit/engine/document';
import type { HydratedField } from '@arbeit/engine/field';
import type { Limits } from '@arbeit/engine/kinds';
import * as words from '../words/model/rule-words.ts';
import { limitInWords } from './limit-words.ts';

/** When a message may be shown, in words. */
export const showWhenWords: Readonly<Record<NonNullable<RuleDocument['show']>, string>> = {
  'at-once': words.whileTyping,
  leave: words.onBlur,
  submit: words.onSubmit,
};

/** A rule in words: "at most £500.00". */
export const ruleInWords = (
  check: CheckDocument,
  compiled: HydratedField,
  limits: Limits | undefined,
): string => wordsOfCheck(check.type).inWords(check, (limit) => limitInWords(compiled, limit), limits);

/** The code a check most likely fails with. */
export const codeOf = (check: CheckDocument): string => wordsOfCheck(check.type).codeOf(check);
