import { ChevronUp, X } from "lucide-react";
import { type ReactNode, useEffect, useId, useRef, useState } from "react";
import { KEYS } from "~/keys/keys";
import { useKey } from "~/keys/use-key";

/**
 * What stands beside a view: a column where there is room for one; on a tablet or a phone a sheet that comes over the view when
 * something is chosen, or when its own button is pressed. Without scripts it follows the view.
 */
export function SidePane({
  label,
  button = label,
  wake = "",
  opened = false,
  className = "",
  children,
}: {
  label: string;
  /** what its button says on a small screen */
  button?: string;
  /** a change of this opens the sheet: what is chosen */
  wake?: string;
  /** the sheet is open to begin with: what stands in it is what there is to do */
  opened?: boolean;
  className?: string;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(opened);
  const id = useId();
  const woken = useRef(wake);
  useEffect(() => {
    if (woken.current === wake) return;
    woken.current = wake;
    setOpen(wake !== "");
  }, [wake]);
  useKey(KEYS.pane.keys.close, () => setOpen(false), { enabled: open, enableOnFormTags: true });
  return (
    <aside className="side-pane" aria-label={label} data-open={open ? "" : undefined}>
      <button
        type="button"
        className="side-pane-grip"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
      >
        <span className="truncate">{open ? `Close: ${button}` : button}</span>
        {open ? <X size={18} aria-hidden="true" /> : <ChevronUp size={18} aria-hidden="true" />}
      </button>
      <div id={id} className={`side-pane-body ${className}`}>
        {children}
      </div>
    </aside>
  );
}
