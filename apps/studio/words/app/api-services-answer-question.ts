// Texts of `app/api/services/answer-question.ts`.
export const simulatedFailureSeeTheSimulated = 'Simulated failure (see the simulated services panel).';
