import { zodResolver } from '@hookform/resolvers/zod';
import { SignIn } from '@dossier/contract';
import { Controller, useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Heading, Notice, Soft, TextField } from '@/ui';
import { useSignInMutation } from './api';

export function SignInScreen() {
  const [signIn, { isLoading, error }] = useSignInMutation();
  const form = useForm({ resolver: zodResolver(SignIn), defaultValues: { email: '', password: '' } });
  const submit = form.handleSubmit((values) => void signIn(values));
  const { errors } = form.formState;
  return (
    <ScrollView className="flex-1 bg-paper" contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
      <View role="main" className="w-full max-w-[400px] gap-6 self-center px-6 py-12">
        <View className="gap-2">
          <Heading className="text-[40px] leading-[48px]">Dossier</Heading>
          <Soft>Business cards, proved and filed.</Soft>
        </View>
        <Controller
          control={form.control}
          name="email"
          render={({ field }) => (
            <TextField
              label="E-mail"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              complaint={errors.email?.message}
              autoComplete="username"
              inputMode="email"
              autoCapitalize="none"
              autoFocus
            />
          )}
        />
        <Controller
          control={form.control}
          name="password"
          render={({ field }) => (
            <TextField
              label="Password"
              value={field.value}
              onChangeText={field.onChange}
              onBlur={field.onBlur}
              onSubmitEditing={() => void submit()}
              complaint={errors.password?.message}
              autoComplete="current-password"
              secureTextEntry
            />
          )}
        />
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <Button look="ink" busy={isLoading} onPress={() => void submit()}>
          Sign in
        </Button>
      </View>
    </ScrollView>
  );
}
