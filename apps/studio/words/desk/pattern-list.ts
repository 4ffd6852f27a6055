// Texts of `screens/desk/pattern-list.tsx`.

export const patternsInOrder = 'Patterns in order';
export const patternsInOrderThat = 'Patterns in order: the first that accepts the text lays it out';
export const noneAcceptsWhatIsTyped = '. None accepts what is typed now';
export const inUse = 'in use';
export const movePatternUp = (shown: number) => `Move pattern ${shown} up`;
export const removePattern = (shown: number) => `Remove pattern ${shown}`;
