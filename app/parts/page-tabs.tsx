import { Link } from "react-router";

/** The heading of a page with the parts it has; the one that is open is underlined. */
export function PageTabs({
  title,
  tabs,
}: {
  title: string;
  tabs: readonly { to: string; name: string; open: boolean }[];
}) {
  return (
    <div className="mb-4 flex flex-wrap items-end gap-x-6 border-b border-line">
      <h1 className="pb-2 text-2xl">{title}</h1>
      {tabs.map(({ to, name, open }) => (
        <Link
          key={to}
          to={to}
          aria-current={open ? "page" : undefined}
          className={`border-b-[3px] px-1 pb-2 text-[0.9375rem] font-medium ${open ? "border-b-verdigris" : "border-b-transparent text-soft hover:text-ink"}`}
        >
          {name}
        </Link>
      ))}
    </div>
  );
}
