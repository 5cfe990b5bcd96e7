import { Link } from 'expo-router';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { View } from 'react-native';
import { PictureSettings, ReadingSettings } from '@/features/reading';
import { api, problemText } from '@/lib/api';
import { forgetAnswers } from '@/lib/serviceWorker';
import { Button, Heading, Notice, Page, Rule, Serif, Soft, Subheading, Text } from '@/ui';
import { accountApi, useSessionQuery, useSignOutMutation } from './api';

export function AccountScreen() {
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
        <View className="gap-3">
          <Subheading>Reading cards</Subheading>
          <ReadingSettings country={session.workspace.country} languages={session.workspace.languages} />
        </View>
        <Rule />
        <View className="gap-3">
          <Subheading>Pictures</Subheading>
          <PictureSettings keepPictures={session.workspace.keepPictures} keepDays={session.workspace.keepDays} />
        </View>
        <Rule />
        <Link href="/occasions">
          <View className="min-h-touch justify-center">
            <Text className="underline underline-offset-4">Occasions</Text>
          </View>
        </Link>
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
