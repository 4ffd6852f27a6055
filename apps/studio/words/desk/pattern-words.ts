// Texts of `screens/desk/pattern-words.tsx`.

export const warningOf =
  'Warning: this pattern has parts of variable length, so the typed characters alone are ambiguous. Use raw value “with fixed text” to keep it reversible.';
export const aPartOfThisPattern =
  'Without separators this raw value is ambiguous, because a part of the pattern can be shorter. Choose “with fixed text”.';
export const twoDigitsUpToFour = 'two digits, up to four';
export const twoLettersInUpperCase = '2 letters, converted to upper case (or: lower)';
export const onlyTheseCharacters = 'only these characters';
export const aNumberWithinBounds = 'a number range';
export const oneOfTheseWords = 'one of these words';
export const optionalGroup = 'optional group: appears when typed into';
export const classesOfThisSet = 'classes of this set';
export const aLessThanSign = 'a less-than sign; everything else outside of < > is fixed text';
export const threeDigits =
  'three digits; also letter (any script), latin (A–Z), alnum (letter or digit), any';
export const theRawValueIncludesThe =
  'The raw value includes the fixed text, because this pattern has parts of variable length.';
