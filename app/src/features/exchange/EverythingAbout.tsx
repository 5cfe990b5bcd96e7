import type { Person } from '@dossier/contract';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { API } from '@/lib/api';
import { Soft, Subheading, Text } from '@/ui';

/** What somebody has a right to be given: all that is kept about them. */
export function EverythingAbout({ person }: { person: Person }) {
  const may = useMay();
  if (!may('takeOut')) return null;
  return (
    <View className="gap-1">
      <Subheading>Everything about this person</Subheading>
      <Soft>
        For somebody who asks what is kept about them: every value, note, permission and change, what was read, and the
        pictures of their cards, packed together.
      </Soft>
      <View className="flex-row">
        <a
          href={`${API}/people/${person.id}/everything`}
          download
          style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4 }}
        >
          <Text className="font-medium">Fetch everything</Text>
        </a>
      </View>
    </View>
  );
}
