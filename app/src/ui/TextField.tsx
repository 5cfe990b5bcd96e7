import { useId, type Ref } from 'react';
import { TextInput, View, type TextInputProps } from 'react-native';
import { Soft, Text } from './Text';

interface Props extends TextInputProps {
  label: string;
  complaint?: string;
  hint?: string;
  ref?: Ref<TextInput>;
}

/** A labelled line to write on, with what is wrong under it. */
export function TextField({ label, complaint, hint, className = '', ...props }: Props) {
  const id = useId();
  return (
    <View className="gap-1">
      <Soft nativeID={`${id}-label`}>{label}</Soft>
      <TextInput
        aria-labelledby={`${id}-label`}
        // For what looks at the screen alone, and has scrolled past the words.
        aria-label={label}
        aria-describedby={complaint ? `${id}-complaint` : undefined}
        aria-invalid={Boolean(complaint)}
        // Its label stays in sight where it is gone to.
        className={`min-h-touch scroll-mt-16 rounded-[4px] border bg-sheet px-3 py-2 font-sans text-[17px] leading-[23px] text-ink ${complaint ? 'border-brick' : 'border-rule'} ${className}`}
        {...props}
      />
      {hint && !complaint ? <Soft>{hint}</Soft> : null}
      {complaint ? (
        <Text nativeID={`${id}-complaint`} role="alert" className="text-[15px] text-brick">
          {complaint}
        </Text>
      ) : null}
    </View>
  );
}
