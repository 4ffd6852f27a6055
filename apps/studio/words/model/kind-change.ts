// Texts of `model/kind-change.ts`.

export const theRule = (id: string) => `the rule “${id}”`;
export const theCondition = (id: string) => `the condition of ${id}`;
export const theRuleOf = (id: string | undefined, id2: string) => `the rule “${id}” of ${id2}`;
export const theSharedValue = 'the shared value';
export const theSharedValueOf = (id: string) => `the shared value of ${id}`;
export const theInitialValue = 'the initial value';
