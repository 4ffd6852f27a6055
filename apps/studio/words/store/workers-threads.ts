// Texts of `workers/trials/threads.ts`.

export const theTestRunnerStoppedUnexpectedly = 'The test runner stopped unexpectedly. Run the trials again.';
