// Texts of `screens/form/telephone.tsx`.

export const simulatedPhone = 'Simulated phone';
export const simulatedPhoneWithValue = (value: string) => `Simulated phone${value}`;
export const noMessageYet = 'No message yet.';
export const insertCode = 'Insert code';
