import { PanelLeftClose, PanelLeftOpen } from "lucide-react";
import { useState } from "react";

const FOLDED = "44px";
const OPEN = "336px";

/** Stays as it is from view to view, as long as the app is open. */
let lastFolded = false;

/** The column at the left of a planning view, which can be folded away. */
export function useFold() {
  const [folded, setFolded] = useState(() => (typeof window === "undefined" ? false : lastFolded));
  const turn = () => {
    lastFolded = !folded;
    setFolded(!folded);
  };
  const Icon = folded ? PanelLeftOpen : PanelLeftClose;
  return {
    folded,
    width: folded ? FOLDED : OPEN,
    button: (
      <button
        type="button"
        onClick={turn}
        aria-expanded={!folded}
        className="icon-button max-lg:hidden"
        aria-label={folded ? "Show the piece and the cut" : "Fold the piece and the cut away"}
      >
        <Icon size={16} strokeWidth={1.75} aria-hidden="true" />
      </button>
    ),
  };
}
