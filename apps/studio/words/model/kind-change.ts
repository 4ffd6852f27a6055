// Texts of `model/kind-change.ts`.

export const theRule = (id: string) => `the rule “${id}”`;
export const theCondition = (id: string) => `the condition of ${id}`;
export const theRuleOf = (id: string | undefined, id2: string) => `the rule “${id}” of ${id2}`;
export const theInitialValue = 'the initial value';
