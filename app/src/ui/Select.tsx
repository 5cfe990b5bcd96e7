import type { ChoiceProps } from './Choice';

/** The browser's own list: the quickest with a thumb and with the keyboard. */
export function Select<T extends string>({
  label,
  options,
  value,
  onChange,
  dense,
}: ChoiceProps<T> & { dense?: boolean }) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value as T)}
      style={{
        font: '400 15px/20px "Instrument Sans", sans-serif',
        color: 'rgb(var(--ink))',
        background: 'transparent',
        border: 0,
        borderBottom: '1px dotted rgb(var(--ink))',
        height: dense ? 28 : 44,
        maxWidth: '100%',
        textOverflow: 'ellipsis',
      }}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value} style={{ color: '#1e242b', background: '#fffef9' }}>
          {option.label}
        </option>
      ))}
    </select>
  );
}
