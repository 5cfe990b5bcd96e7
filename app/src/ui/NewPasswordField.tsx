import type { Control, FieldPath, FieldValues } from 'react-hook-form';
import { FormField } from './FormField';

interface Props<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label?: string;
  autoFocus?: boolean;
  onSubmitEditing: () => void;
}

/** A password that somebody chooses now. Not in the index either. */
export const NewPasswordField = <T extends FieldValues>({ label = 'Password', ...props }: Props<T>) => (
  <FormField
    {...props}
    label={label}
    hint="At least ten characters; several words are easy to remember."
    autoComplete="new-password"
    secureTextEntry
  />
);
