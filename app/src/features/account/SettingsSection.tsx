import type { ReactNode } from 'react';
import { View } from 'react-native';
import { EmptyPage, Heading, LoadingLines, Page, ToTray } from '@/ui';
import { useSessionQuery } from './api';
import { SECTIONS, SET_BY_MANAGER } from './sections';
import { useMay } from './useMay';

interface Props {
  title: string;
  /** Where it is another one than the section's. */
  heading?: string;
  measure?: number;
  children: ReactNode;
}

/** A page of the settings. @param title the name of its section, which says what somebody must be allowed to do */
export function SettingsSection({ title, heading = title, measure = 560, children }: Props) {
  const { data: session } = useSessionQuery();
  const may = useMay();
  if (!session) return <LoadingLines />;
  const needs = SECTIONS.find(({ name }) => name === title)?.needs;
  if (needs && !may(needs))
    return (
      <EmptyPage title={needs === 'backUp' ? 'For administrators' : 'Set by your manager'} action={<ToTray />}>
        {needs === 'backUp' ? 'A backup holds everything that the team has, also who may sign in.' : SET_BY_MANAGER}
      </EmptyPage>
    );
  return (
    <Page measure={measure}>
      <View className="gap-5">
        <Heading className="[overflow-wrap:anywhere]">{heading}</Heading>
        {children}
      </View>
    </Page>
  );
}
