import { useState, type ReactNode } from 'react';
import { useDispatch } from 'react-redux';
import { View } from 'react-native';
import { api, problemText } from '@/lib/api';
import { forgetAnswers } from '@/lib/serviceWorker';
import { Button, Heading, Notice, Page, Rule, Serif, Soft } from '@/ui';
import { accountApi, useSessionQuery, useSignOutMutation } from './api';

/** @param settings what the rooms let a person set for the workspace */
export function AccountScreen({ settings }: { settings: ReactNode }) {
  const { data: session } = useSessionQuery();
  const [signOut, { isLoading }] = useSignOutMutation();
  const [problem, setProblem] = useState<string>();
  const dispatch = useDispatch();
  const leave = async () => {
    const result = await signOut();
    if (result.error) return setProblem(problemText(result.error));
    await forgetAnswers();
    dispatch(api.util.resetApiState());
    void dispatch(accountApi.endpoints.session.initiate(undefined, { forceRefetch: true }) as never);
  };
  if (!session) return null;
  return (
    <Page measure={560}>
      <View className="gap-6">
        <Heading>Your account</Heading>
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
        {settings}
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
