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
:root { color-scheme: light dark; }
body { margin: 0; background: light-dark(#f3eee3, #1e1915); color: light-dark(#2a231d, #f0e8da); font: 1rem/1.5 Commissioner, system-ui, sans-serif; }
main { max-width: 36rem; margin: 18vh auto 0; padding: 0 2rem; }
h1 { font: 600 1.9rem/1.2 Alegreya, Georgia, serif; }
a { color: light-dark(#2f6f62, #7cc4b3); }
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

/** The page on which a device is let in by a code. */
export const pairPage = ({ code, says }: { code: string; says: string | null }): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Pair this device · Jolly Crust</title>
<style>
:root { color-scheme: light dark; }
body { margin: 0; background: light-dark(#f3eee3, #1e1915); color: light-dark(#2a231d, #f0e8da); font: 1.25rem/1.5 Commissioner, system-ui, sans-serif; }
main { max-width: 30rem; margin: 10vh auto 0; padding: 0 1.25rem; }
h1 { font: 600 2rem/1.2 Alegreya, Georgia, serif; }
label { display: block; margin-top: 1.25rem; }
input { display: block; box-sizing: border-box; width: 100%; min-height: 64px; padding: 0 0.75rem; border: 1px solid light-dark(#8d806f, #9d907d); border-radius: 3px; background: light-dark(#fff, #16120f); color: inherit; font: inherit; font-size: 1.5rem; }
button { width: 100%; min-height: 68px; margin-top: 1.5rem; border: 0; border-radius: 3px; background: light-dark(#2f6f62, #7cc4b3); color: light-dark(#fff, #16120f); font: inherit; font-weight: 600; }
[role=alert] { color: light-dark(#9c3f25, #f09a7e); font-weight: 600; }
:focus-visible { outline: 2px solid light-dark(#2f6f62, #7cc4b3); outline-offset: 2px; }
</style>
</head>
<body>
<main>
<h1>Pair this device</h1>
<p>The code is on the main machine, under Devices. It works once, and for ten minutes.</p>
${says === null ? "" : `<p role="alert">${escaped(says)}</p>`}
<form method="post" action="/pair">
<label>Code<input name="code" value="${escaped(code)}" autocomplete="one-time-code" autocapitalize="characters" spellcheck="false" required maxlength="12"></label>
<label>What is it called?<input name="name" placeholder="Bench tablet" maxlength="40" autocomplete="off"></label>
<button>Pair it</button>
</form>
</main>
</body>
</html>
`;
