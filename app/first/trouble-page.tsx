import { isRouteErrorResponse, Link } from "react-router";

interface Told {
  title: string;
  says: string;
  file?: { href: string; label: string };
}

/** What the server itself says when it sends no page: the title, then the sentence, on a line each. */
function toldInText(text: string): Told | null {
  const [title, says] = text.split("\n");
  return title && says && !title.startsWith("<") ? { title, says } : null;
}

function tell(error: unknown): Told {
  if (isRouteErrorResponse(error)) {
    const told = error.data as Partial<Told> | null;
    if (told && typeof told === "object" && told.title && told.says)
      return { ...told, title: told.title, says: told.says };
    const plain = typeof error.data === "string" ? toldInText(error.data) : null;
    if (plain) return plain;
    if (error.status === 404)
      return {
        title: "Page not found",
        says: "The address may be incomplete. You can reach everything from the jobs list.",
      };
    if (error.status === 405)
      return { title: "That cannot be done here", says: "Go back to the page you came from and try again." };
  }
  return {
    title: "Something went wrong",
    says: "Nothing that was saved is lost. Reload the page; if it fails again, export the job from the jobs list and restart the tool.",
  };
}

/** Instead of a stack: where it went wrong and what to do. */
export function TroublePage({ error }: { error: unknown }) {
  const { title, says, file } = tell(error);
  return (
    <main className="mx-auto flex min-h-screen max-w-xl flex-col justify-center px-8 pb-24">
      <svg viewBox="0 0 480 40" aria-hidden="true" className="mb-6 w-full text-ochre">
        <path d="M0 20c40-8 80 8 120 0s70-8 100 0" fill="none" stroke="currentColor" strokeWidth="2.5" />
        <path
          d="M262 22c40-6 70 8 110 0s70-8 108 0"
          fill="none"
          stroke="currentColor"
          strokeWidth="2.5"
          strokeDasharray="3 9"
          strokeLinecap="round"
        />
      </svg>
      <h1 className="text-3xl">{title}</h1>
      <p className="mt-3 text-base">{says}</p>
      <p className="mt-6 flex gap-3">
        <Link to="/" className="button button-main">
          Go to the jobs list
        </Link>
        {file && (
          <a href={file.href} download className="button">
            {file.label}
          </a>
        )}
        <Link to="." reloadDocument className="button">
          Reload this page
        </Link>
      </p>
    </main>
  );
}
