/** How much is read of what is looked for in the list of jobs. */
export const MOST_LETTERS = 80;
