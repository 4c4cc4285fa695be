import type { ReactNode } from "react";
import { Link } from "react-router";

export function Brand() {
  return (
    <Link
      to="/"
      className="flex items-center gap-2 font-head text-[1.375rem] leading-none font-semibold text-verdigris italic"
    >
      <img src="/mark.svg" alt="" width={22} height={22} />
      Jolly Crust
    </Link>
  );
}

/** The head of a page: brand, the way back to the jobs, what the page is about, and its own buttons. */
export function PageHead({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <header className="flex min-h-[52px] shrink-0 flex-wrap items-center gap-y-2 border-b border-line px-5 max-md:py-2 print:hidden">
      <Brand />
      <span className="ml-6 min-w-0 flex-1 truncate max-md:ml-4 max-md:basis-40">
        <Link to="/" className="link text-soft hover:text-ink">
          Jobs
        </Link>
        <span className="text-edge"> / </span>
        <b className="font-semibold">{title}</b>
      </span>
      {children}
    </header>
  );
}
