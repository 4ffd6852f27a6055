// Texts of the pages for errors and unknown addresses, which every page loads, and of others.

export const tryAgain = 'Try again';
export const backToTheShelf = 'Back to the shelf';
