import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { TextInputProps } from 'react-native';
import { TextField } from './TextField';

interface Props<T extends FieldValues> extends Omit<TextInputProps, 'value' | 'onChangeText' | 'onBlur' | 'ref'> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  hint?: string;
}

/** A line of a form: knows its value, and says what is wrong with it. Not in the index: only some screens have forms. */
export function FormField<T extends FieldValues>({ control, name, ...props }: Props<T>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <TextField
      {...props}
      ref={field.ref}
      value={String(field.value ?? '')}
      onChangeText={field.onChange}
      onBlur={field.onBlur}
      complaint={fieldState.error?.message}
    />
  );
}
