/** How often a plan of work is looked at, if nobody asks for more. */
export const USUAL_LOOKS = 60;
export const MOST_LOOKS = 4000;
