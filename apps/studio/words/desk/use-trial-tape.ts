// Texts of `screens/desk/use-trial-tape.tsx`.

export const firstTrial = (name: string) => `${name} trial 1`;
export const savedAsATrial = 'Saved as a trial.';
export const giveItAName = 'Give it a name and a reason';
