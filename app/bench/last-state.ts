/** What the shop said last on this page, for when it does not answer. */
export const lastState: { is: unknown } = { is: null };
