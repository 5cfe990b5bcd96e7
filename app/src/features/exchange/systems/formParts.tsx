import type { ReactNode } from 'react';
import { useController, type FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import { Select, Soft, Subheading, Text, Toggle } from '@/ui';
import type { SystemForm } from './systemForm';

/** Some fields that belong together. */
export const Part = ({ title, children }: { title?: string; children: ReactNode }) => (
  <View role="group" aria-label={title} className="gap-4">
    {title ? <Subheading>{title}</Subheading> : null}
    {children}
  </View>
);

export const Labelled = ({ label, children }: { label: string; children: ReactNode }) => (
  <View className="items-start gap-1">
    <Soft aria-hidden>{label}</Soft>
    {children}
  </View>
);

/** One of several, from a list. */
export function Chosen<T extends string>({
  name,
  label,
  options,
}: {
  name: FieldPath<SystemForm>;
  label: string;
  options: readonly { value: T; label: string }[];
}) {
  // prettier-ignore
  const { field, fieldState } = useController<SystemForm>({ name });
  return (
    <>
      <Select label={label} options={options} value={field.value as T} onChange={field.onChange} />
      {fieldState.error ? (
        <Text role="alert" className="text-[15px] text-brick">
          {fieldState.error.message}
        </Text>
      ) : null}
    </>
  );
}

/** Something that is so or not. */
export function Ticked({ name, label }: { name: FieldPath<SystemForm>; label: string }) {
  const { field } = useController<SystemForm>({ name });
  return <Toggle label={label} on={Boolean(field.value)} onChange={field.onChange} />;
}
