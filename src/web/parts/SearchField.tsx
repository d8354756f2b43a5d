/** Narrows a list to what holds the words typed. */
export function SearchField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className="no-print block max-w-sm">
      <span className="label-caps block pb-1">{label}</span>
      <input
        type="search"
        className="input w-full"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
