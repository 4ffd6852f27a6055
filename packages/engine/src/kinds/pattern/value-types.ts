import type { ValueTypes } from '../contract/value-types.ts';
import { patternAlphabet } from './alphabet.ts';
import type { PatternPlan } from './plan.ts';
import { typedForm } from './typed-form.ts';
import { valuesOf } from './value-form.ts';

export const valueTypes: ValueTypes<PatternPlan> = { values: valuesOf, typedForm, alphabet: patternAlphabet };
