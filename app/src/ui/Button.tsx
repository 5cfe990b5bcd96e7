import type { ReactNode } from 'react';
import { ActivityIndicator, Pressable, Text as NativeText, View } from 'react-native';

interface Props {
  children: string;
  onPress: () => void;
  /** `ink` for the one thing to do next, `plain` for others, `bare` for small ones, `brick` for what destroys. */
  look?: 'ink' | 'plain' | 'bare' | 'brick';
  icon?: ReactNode;
  disabled?: boolean;
  busy?: boolean;
  /** What a screen reader says when it is more than the words on the button. */
  label?: string;
  /** Whether what it unfolds is to be seen. */
  expanded?: boolean;
  className?: string;
}

const FRAME = {
  ink: 'border-ink bg-ink hover:opacity-90',
  plain: 'border-ink bg-transparent hover:bg-table',
  bare: 'border-transparent bg-transparent hover:bg-table',
  brick: 'border-transparent bg-transparent hover:bg-table',
} as const;
const WORDS = {
  ink: 'text-paper',
  plain: 'text-ink',
  bare: 'text-ink underline',
  brick: 'text-brick underline',
} as const;

export function Button({
  children,
  onPress,
  look = 'plain',
  icon,
  disabled,
  busy,
  label,
  expanded,
  className = '',
}: Props) {
  const off = disabled || busy;
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-expanded={expanded}
      aria-disabled={off}
      aria-busy={busy}
      disabled={off}
      onPress={onPress}
      className={`min-h-touch min-w-touch flex-row items-center justify-center gap-2 rounded-[5px] border px-4 py-2 active:opacity-70 ${FRAME[look]} ${off ? 'opacity-50' : ''} ${className}`}
    >
      {busy ? <ActivityIndicator aria-hidden size="small" color="currentColor" /> : icon}
      <NativeText
        className={`text-center font-sans text-[16px] font-medium leading-[21px] underline-offset-4 ${WORDS[look]}`}
      >
        {children}
      </NativeText>
    </Pressable>
  );
}

/** A square button that shows only a picture; its words are for screen readers and tooltips. */
export function IconButton({
  label,
  onPress,
  children,
  disabled,
}: {
  label: string;
  onPress: () => void;
  children: ReactNode;
  disabled?: boolean;
}) {
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      className={`h-[44px] w-[44px] items-center justify-center rounded-[5px] hover:bg-table active:opacity-60 ${disabled ? 'opacity-40' : ''}`}
    >
      <View>{children}</View>
    </Pressable>
  );
}
