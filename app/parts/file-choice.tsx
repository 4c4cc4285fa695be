import { type InputHTMLAttributes, useState } from "react";

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, "type" | "onChange"> {
  /** what the file is, for those who do not see where it stands */
  label: string;
  /** what stands on the button until a file is chosen */
  says?: string;
  onFile?: (file: File | null, input: HTMLInputElement) => void;
}

/** A button that a file is chosen with; it then says which. Without scripts the browser's own field stands in its place. */
export function FileChoice({ label, says = "Choose a file", onFile, className = "", ...field }: Props) {
  const [chosen, setChosen] = useState("");
  return (
    <span className={`file-choice button ${className}`}>
      <span className="max-w-40 truncate" aria-hidden="true">
        {chosen || says}
      </span>
      <input
        {...field}
        type="file"
        aria-label={label}
        onChange={({ currentTarget }) => {
          const file = currentTarget.files?.[0] ?? null;
          setChosen(file?.name ?? "");
          onFile?.(file, currentTarget);
        }}
      />
    </span>
  );
}
