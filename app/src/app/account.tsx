import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { AccountScreen, FilingSettings, NotificationSetting, useMay, WorkspaceSettings } from '@/features/account';
import { Rule, Soft, Text } from '@/ui';

export default function Account() {
  const may = useMay();
  return (
    <AccountScreen
      settings={
        <>
          {may('settle') ? (
            <>
              <WorkspaceSettings />
              <Rule />
              <FilingSettings />
            </>
          ) : (
            <Soft>What the team keeps, expects and files without asking is set by your manager.</Soft>
          )}
          <Rule />
          <NotificationSetting />
          <Rule />
          <View>
            <ListLink href="/occasions">Occasions</ListLink>
            <ListLink href="/tags">Tags</ListLink>
            <ListLink href="/learned">What Dossier has learned from your cards</ListLink>
            {may('delete') ? <ListLink href="/deleted">Deleted people</ListLink> : null}
          </View>
        </>
      }
    />
  );
}

const ListLink = ({ href, children }: { href: Href; children: string }) => (
  <Link href={href}>
    <View className="min-h-touch justify-center">
      <Text className="underline underline-offset-4">{children}</Text>
    </View>
  </Link>
);
