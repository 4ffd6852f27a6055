// Texts of `field/code-sender.tsx`.

import type { ReactNode } from 'react';

export const thatCodeIsNotCorrect = 'That code is not correct. Please check it and try again.';
export const simulatedMessage = (part: ReactNode) => (
  <>Simulated message: “Ridge Huts: {part} confirms your change.”</>
);
export const theCodeIsRight = 'The code is correct. A program would continue now.';
