import type { Refusal } from "./guard.server";

const escaped = (text: string) =>
  text.replace(
    /[&<>"']/g,
    (letter) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&#39;" })[letter]!,
  );

/** A page that says one thing and needs nothing else: no scripts, no style sheet, no data. */
export const plainPage = ({ title, says }: Pick<Refusal, "title" | "says">): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(title)} · Jolly Crust</title>
<style>
body { margin: 0; background: #f3eee3; color: #2a231d; font: 1rem/1.5 Commissioner, system-ui, sans-serif; }
main { max-width: 36rem; margin: 18vh auto 0; padding: 0 2rem; }
h1 { font: 600 1.9rem/1.2 Alegreya, Georgia, serif; }
a { color: #2f6f62; }
</style>
</head>
<body>
<main>
<h1>${escaped(title)}</h1>
<p>${escaped(says)}</p>
<p><a href="/">To the jobs list</a></p>
</main>
</body>
</html>
`;
