'use client';

import { useTyped } from './useTyped';

/** A line of text that is kept while it is typed. */
export function TextField({
  id,
  label,
  value,
  hint,
  className = '',
  type = 'text',
  most = 200,
  onText,
}: {
  id: string;
  label: string;
  value: string;
  hint?: string;
  className?: string;
  type?: 'text' | 'date';
  most?: number;
  onText: (text: string) => void;
}) {
  const { typed, type: typeText, enter, leave } = useTyped(() => false);
  return (
    <div className={className}>
      <label htmlFor={id} className="block leading-tight font-semibold">
        {label}
      </label>
      <input
        id={id}
        type={type}
        className="input mt-1 w-full text-base text-base-content"
        autoComplete="off"
        maxLength={most}
        placeholder={hint}
        value={typed ?? value}
        onChange={(e) => {
          typeText(e.target.value);
          onText(e.target.value);
        }}
        onFocus={enter}
        onBlur={leave}
      />
    </div>
  );
}
