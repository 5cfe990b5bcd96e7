import { PasswordChange } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { tellForm } from '@/lib/formProblem';
import { Button, Notice } from '@/ui';
import { FormField } from '@/ui/FormField';
import { NewPasswordField } from '@/ui/NewPasswordField';
import { useChangePasswordMutation } from './api';

/** One's own password, opened by a button: seldom needed. */
export function PasswordForm() {
  const [open, setOpen] = useState(false);
  const [changed, setChanged] = useState(false);
  const [problem, setProblem] = useState<string>();
  const [change] = useChangePasswordMutation();
  const form = useForm({ resolver: zodResolver(PasswordChange), defaultValues: { current: '', next: '' } });
  const close = () => {
    setOpen(false);
    setProblem(undefined);
    form.reset();
  };
  const submit = form.handleSubmit(async (passwords) => {
    const { error } = await change(passwords);
    if (error) return setProblem(tellForm(form, error));
    setChanged(true);
    close();
  });
  if (!open)
    return (
      <View className="items-start gap-3">
        {changed ? <Notice>Your password is changed. Other devices have to sign in again.</Notice> : null}
        <Button
          onPress={() => {
            setChanged(false);
            setOpen(true);
          }}
        >
          Change password
        </Button>
      </View>
    );
  return (
    <View role="group" aria-label="Change password" className="gap-4">
      <FormField
        control={form.control}
        name="current"
        label="Password now"
        autoComplete="current-password"
        secureTextEntry
        autoFocus
      />
      <NewPasswordField
        control={form.control}
        name="next"
        label="New password"

        onSubmitEditing={() => void submit()}
      />
      {problem ? <Notice fault>{problem}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button look="ink" busy={form.formState.isSubmitting} onPress={() => void submit()}>
          Save password
        </Button>
        <Button onPress={close}>Cancel</Button>
      </View>
    </View>
  );
}
