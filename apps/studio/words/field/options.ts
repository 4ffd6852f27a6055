// Texts of `field/options.ts`.

export const allTogether = 'all together';
export const andJoint = ' and ';
