// Texts of `screens/desk/phone-keyboard.tsx`.

export const inputmodeNone = 'inputmode “none”: no on-screen keyboard.';
export const phoneKeyboardForInputmode = (inputmode: string) => `Phone keyboard for inputmode ${inputmode}`;
export const inputmode = (inputmode: string) => `inputmode “${inputmode}”`;
