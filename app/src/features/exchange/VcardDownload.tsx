import type { Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { API } from '@/lib/api';
import { Choice, Soft, Subheading, Text } from '@/ui';

/** The person as a file for other programs. */
export function VcardDownload({ person }: { person: Person }) {
  const [version, setVersion] = useState<'4.0' | '3.0'>('4.0');
  const [picture, setPicture] = useState(false);
  const href = `${API}/people/${person.id}/vcard?version=${version}&picture=${picture ? 1 : 0}`;
  return (
    <View className="gap-3">
      <Subheading>As a file</Subheading>
      <View className="flex-row flex-wrap items-center gap-x-5 gap-y-3">
        <Choice
          label="Version of the vCard"
          value={version}
          onChange={setVersion}
          options={[
            { value: '4.0', label: 'vCard 4.0' },
            { value: '3.0', label: 'vCard 3.0' },
          ]}
        />
        {person.cardIds.length > 0 ? (
          <label style={{ display: 'flex', alignItems: 'center', gap: 10, minHeight: 44, cursor: 'pointer' }}>
            <input
              type="checkbox"
              checked={picture}
              onChange={(event) => setPicture(event.target.checked)}
              style={{ width: 20, height: 20, accentColor: 'rgb(var(--ink))' }}
            />
            <Text>with the picture</Text>
          </label>
        ) : null}
        <a href={href} download style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4 }}>
          <Text className="font-medium">Download</Text>
        </a>
      </View>
      {version === '3.0' ? <Soft>Older programs and phones read 3.0.</Soft> : null}
    </View>
  );
}
