import { Pressable, Text as NativeText, View } from 'react-native';

export interface ChoiceProps<T extends string> {
  label: string;
  options: readonly { value: T; label: string }[];
  value: T;
  onChange: (value: T) => void;
}

/** One of a few: a row of words, the chosen one set on ink. */
export function Choice<T extends string>({ label, options, value, onChange }: ChoiceProps<T>) {
  return (
    <View role="radiogroup" aria-label={label} className="flex-row self-start rounded-[5px] border border-ink">
      {options.map((option) => {
        const chosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="radio"
            aria-checked={chosen}
            onPress={() => onChange(option.value)}
            className={`min-h-touch justify-center rounded-[3px] px-4 py-2 ${chosen ? 'bg-ink' : 'hover:bg-table'}`}
          >
            <NativeText
              className={`font-sans text-[16px] leading-[21px] ${chosen ? 'font-medium text-paper' : 'text-ink'}`}
            >
              {option.label}
            </NativeText>
          </Pressable>
        );
      })}
    </View>
  );
}
