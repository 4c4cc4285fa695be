interface Props {
  label: string;
  placeholder: string;
  value: string;
  onType: (text: string) => void;
  className?: string;
}

/** A field that narrows a list as one types. */
export function SearchField({ label, placeholder, value, onType, className = "" }: Props) {
  return (
    <input
      type="search"
      aria-label={label}
      placeholder={placeholder}
      className={`field ${className}`}
      value={value}
      onChange={(event) => onType(event.target.value)}
    />
  );
}
