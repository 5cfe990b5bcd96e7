import type { ReactNode } from 'react';
import { View } from 'react-native';
import { EmptyState, Heading, LoadingLines, Page, ToTray } from '@/ui';
import { useSessionQuery } from './api';
import { useMay } from './useMay';

interface Props {
  title: string;
  children: ReactNode;
  /** For everybody, not only those who may set what holds for the team. */
  open?: boolean;
}

/** A page of the settings. */
export function SettingsSection({ title, children, open = false }: Props) {
  const { data: session } = useSessionQuery();
  const may = useMay();
  if (!session) return <LoadingLines />;
  if (!open && !may('settle'))
    return (
      <EmptyState title="Set by your manager" action={<ToTray />}>
        What the team keeps, expects and files without asking is set by your manager.
      </EmptyState>
    );
  return (
    <Page measure={560}>
      <View className="gap-5">
        <Heading>{title}</Heading>
        {children}
      </View>
    </Page>
  );
}
