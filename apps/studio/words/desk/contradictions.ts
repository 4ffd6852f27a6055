// Texts of `screens/desk/contradictions.tsx`.

export const contradictionsAmongTheRules = 'Contradictions among the rules';
export const andJoint = ' and ';
