import type { Answer, Post } from "./queue";

/** Sends edits to the job's address; whatever goes wrong on the way is answered, never thrown. */
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
      return { is: "unsaved", because: answer.says ?? "The server did not understand." };
    } catch {
      return {
        is: "unsaved",
        because: "The server does not answer. Everything typed is kept here and sent as soon as it does.",
      };
    }
  };
