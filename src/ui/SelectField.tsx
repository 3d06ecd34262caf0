/** One choice out of a list, with its label above. */
export function SelectField<T extends string | number>({
  label,
  value,
  options,
  empty,
  className = 'w-full',
  onChange,
}: {
  label: string;
  value: T | '';
  options: readonly { readonly value: T; readonly says: string }[];
  /** Words for no choice yet; without them there is always one. */
  empty?: string;
  className?: string;
  onChange: (value: T) => void;
}) {
  return (
    <label className="block">
      <span className="block leading-tight font-semibold">{label}</span>
      <select
        className={`select mt-1 text-base ${className}`}
        required={empty !== undefined}
        value={value}
        onChange={(e) => {
          const chosen = options.find((o) => String(o.value) === e.target.value);
          if (chosen) onChange(chosen.value);
        }}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.says}
          </option>
        ))}
      </select>
    </label>
  );
}
