import { BookOpen, CalendarDays, Ellipsis, Layers, Ruler, SwatchBook } from "lucide-react";
import { Link, NavLink, useLocation } from "react-router";
import { SEVERITY_WORDS, SeamMark } from "~/drawing/severity";
import { useJobEditor } from "~/editor/job-editor";
import { VIEWS, viewSearch, worstOfViews } from "./views";

/** The views that have a place of their own in the bar, with their icons. */
const FIRST = { piece: Ruler, crust: Layers, board: SwatchBook, days: CalendarDays } as const;

/** The views of a job along the lower edge of a phone: four of them, and the rest under one more. */
export function ViewBar() {
  const { plan, judgement, planned } = useJobEditor();
  const { search, pathname } = useLocation();
  const kept = viewSearch(search);
  const worst = worstOfViews(judgement, planned);
  const to = (path: string) => `/jobs/${plan.id}/${path}${kept}`;
  const rest = VIEWS.filter(({ path }) => !(path in FIRST));
  return (
    <nav aria-label="Views, at hand" className="view-bar">
      {VIEWS.map(({ path, name }) => {
        const Icon = FIRST[path as keyof typeof FIRST];
        if (!Icon) return null;
        const severity = worst[path];
        return (
          <NavLink key={path} to={to(path)} className="view-bar-item">
            <Icon size={20} strokeWidth={1.6} aria-hidden="true" />
            <span className="flex items-center gap-1">
              {name}
              {severity && (
                <>
                  <SeamMark severity={severity} width={12} />
                  <span className="sr-only">has {SEVERITY_WORDS[severity].many}</span>
                </>
              )}
            </span>
          </NavLink>
        );
      })}
      <details className="view-bar-more" key={pathname}>
        <summary className="view-bar-item">
          <Ellipsis size={20} strokeWidth={1.6} aria-hidden="true" />
          More
        </summary>
        <ul>
          {rest.map(({ path, name }) => (
            <li key={path}>
              <NavLink to={to(path)}>{name}</NavLink>
            </li>
          ))}
          <li>
            <Link to={`/jobs/${plan.id}/photo`}>On your photo</Link>
          </li>
          <li>
            <Link to={`/jobs/${plan.id}/ledger`}>Ledger</Link>
          </li>
          <li>
            <Link to="/bench">Bench</Link>
          </li>
          <li>
            <Link to="/guide">
              <BookOpen size={15} className="mr-1.5 inline" aria-hidden="true" />
              Guide
            </Link>
          </li>
        </ul>
      </details>
    </nav>
  );
}
