import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { forgetAnswers } from '@/lib/serviceWorker';
import { Button, Heading, Notice, Page, Rule, Serif, Soft } from '@/ui';
import { PasswordForm } from './PasswordForm';
import { useSessionQuery, useSignOutMutation } from './api';

/** Who somebody is here, and the way out. */
export function YouSection() {
  const { data: session } = useSessionQuery();
  const [signOut, { isLoading }] = useSignOutMutation();
  const [problem, setProblem] = useState<string>();
  const leave = async () => {
    const result = await signOut();
    if (result.error) return setProblem(problemText(result.error));
    await forgetAnswers();
    // Begun anew: nothing of what was open stays in the memory of this page.
    globalThis.location.assign('/');
  };
  if (!session) return null;
  return (
    <Page measure={560}>
      <View className="gap-6">
        <Heading>You</Heading>
        <View className="gap-1">
          <Serif>{session.user.name}</Serif>
          <Soft>{session.user.email}</Soft>
        </View>
        <Rule />
        <View className="gap-1">
          <Soft>Workspace</Soft>
          <Serif>{session.workspace.name}</Serif>
        </View>
        <Rule />
        <PasswordForm />
        <Rule />
        {problem ? <Notice fault>{problem}</Notice> : null}
        <View className="items-start">
          <Button busy={isLoading} onPress={() => void leave()}>
            Sign out
          </Button>
        </View>
      </View>
    </Page>
  );
}
