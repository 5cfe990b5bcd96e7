import { SignIn } from '@dossier/contract';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Heading, Notice, Soft, Text, TextField } from '@/ui';
import { useSignInMutation } from './api';

/** @param returning whose session has ended: what they had open is below, as they left it */
export function SignInScreen({ returning }: { returning?: { name: string; email: string } }) {
  const [signIn, { isLoading, error }] = useSignInMutation();
  const [email, setEmail] = useState(returning?.email ?? '');
  const [password, setPassword] = useState('');
  const [complaints, setComplaints] = useState<Partial<Record<string, string>>>({});
  const submit = () => {
    const written = SignIn.safeParse({ email, password });
    setComplaints(Object.fromEntries((written.error?.issues ?? []).map((issue) => [issue.path[0], issue.message])));
    if (written.success) void signIn(written.data);
  };
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
        <TextField
          label="E-mail"
          value={email}
          onChangeText={setEmail}
          complaint={complaints.email}
          autoComplete="username"
          inputMode="email"
          autoCapitalize="none"
          autoFocus={!returning}
        />
        <TextField
          label="Password"
          value={password}
          onChangeText={setPassword}
          onSubmitEditing={submit}
          complaint={complaints.password}
          autoComplete="current-password"
          secureTextEntry
          autoFocus={Boolean(returning)}
        />
        {error ? <Notice fault>{problemText(error)}</Notice> : null}
        <Button look="ink" busy={isLoading} onPress={submit}>
          Sign in
        </Button>
      </View>
    </ScrollView>
  );
}
