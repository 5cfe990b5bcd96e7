import { View } from 'react-native';
import { Soft, Text } from './Text';

interface Props {
  label: string;
  /** As 2026-03-24; empty for none. */
  value: string;
  onChange: (value: string) => void;
  complaint?: string;
}

/** A day, in the browser's own way of choosing one. */
export const DayField = ({ label, value, onChange, complaint }: Props) => (
  <View className="min-w-[120px] flex-1 gap-1">
    <Soft aria-hidden>{label}</Soft>
    <input
      type="date"
      aria-label={label}
      aria-invalid={Boolean(complaint)}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      style={{
        font: '400 17px/23px "Instrument Sans", sans-serif',
        color: 'rgb(var(--ink))',
        background: 'rgb(var(--sheet))',
        border: `1px solid rgb(var(${complaint ? '--brick' : '--rule'}))`,
        borderRadius: 4,
        minHeight: 44,
        padding: '8px 12px',
        width: '100%',
        boxSizing: 'border-box',
        colorScheme: 'light dark',
      }}
    />
    {complaint ? (
      <Text role="alert" className="text-[15px] text-brick">
        {complaint}
      </Text>
    ) : null}
  </View>
);
