import type { Answer, Post } from "./queue";

/** Sends edits to the job's address; whatever goes wrong is returned, never thrown. */
export const postTo =
  (address: string): Post =>
  async (body) => {
    try {
      const response = await fetch(address, {
        method: "POST",
        headers: { "Content-Type": "application/json", Accept: "application/json" },
        body: JSON.stringify(body),
      });
      const answer = (await response.json()) as Answer | { says?: string };
      if ("is" in answer) return answer;
      return {
        is: "unsaved",
        because: answer.says ?? "This could not be saved. It is kept here and will be tried again.",
      };
    } catch {
      return {
        is: "unsaved",
        because: "Jolly Crust is not answering. Your edits are kept here and saved as soon as it does.",
      };
    }
  };
