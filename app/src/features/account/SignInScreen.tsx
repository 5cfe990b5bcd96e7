import { SignIn } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Heading, Notice, Soft, Text } from '@/ui';
import { FormField } from '@/ui/FormField';
import { useSignInMutation } from './api';

/** @param returning whose session has ended: what they had open is below, as they left it */
export function SignInScreen({ returning }: { returning?: { name: string; email: string } }) {
  const [signIn, { isLoading, error }] = useSignInMutation();
  const form = useForm({
    resolver: zodResolver(SignIn),
    defaultValues: { email: returning?.email ?? '', password: '' },
  });
  const submit = form.handleSubmit(async (written) => {
    await signIn(written);
  });
  return (
    <ScrollView className="flex-1 bg-paper" contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
      <View role="main" className="w-full max-w-[400px] gap-6 self-center px-6 py-12">
        <View className="gap-2">
          <Heading className="text-[40px] leading-[48px]">Dossier</Heading>
          {returning ? (
            <Text role="status">
              {`Your session has ended, ${returning.name}. Sign in again: everything you typed is still here, and what you were doing goes on.`}
            </Text>
          ) : (
            <Soft>Business cards, proved and filed.</Soft>
          )}
        </View>
        <FormField
          control={form.control}
          name="email"
          label="E-mail"
          autoComplete="username"
          inputMode="email"
          autoCapitalize="none"
          autoFocus={!returning}
        />
        <FormField
          control={form.control}
          name="password"
          label="Password"
          onSubmitEditing={() => void submit()}
          autoComplete="current-password"
          secureTextEntry
          autoFocus={Boolean(returning)}
        />
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <Button look="ink" busy={isLoading} onPress={() => void submit()}>
          Sign in
        </Button>
      </View>
    </ScrollView>
  );
}
