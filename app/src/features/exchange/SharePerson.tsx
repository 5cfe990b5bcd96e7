import type { Person } from '@dossier/contract';
import { toVcard } from '@dossier/core/exchange';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button, Soft, Subheading } from '@/ui';
import { EverythingAbout } from './EverythingAbout';
import { QrCode } from '@/ui/QrCode';
import { ShareLinks } from './ShareLinks';
import { ToAddressBook } from './ToAddressBook';
import { VcardDownload } from './VcardDownload';

const SIZE = 280;

/** Ways to give somebody's card to somebody else: through the system, as a code, by a link, as a file. */
export function SharePerson({ person }: { person: Person }) {
  const [showsCode, setShowsCode] = useState(false);
  // Phones in the hands of others read the older version best.
  const text = useMemo(
    () => toVcard(person.fields, { version: '3.0', uid: person.id, revision: new Date(person.updatedAt) }),
    [person],
  );
  const file = useMemo(() => new File([text], `${person.fullName.replace(/[^\p{L}\p{N} .-]/gu, '').trim() || 'card'}.vcf`, { type: 'text/vcard' }), [person.fullName, text]); // prettier-ignore
  return (
    <View className="gap-4">
      <Subheading>Give to somebody</Subheading>
      <ToAddressBook person={person} file={file} />
      <View className="flex-row flex-wrap gap-3">
        <Button onPress={() => setShowsCode(!showsCode)}>{showsCode ? 'Hide the code' : 'Show a code'}</Button>
      </View>
      {showsCode ? (
        <View className="gap-2">
          <QrCode text={text} size={SIZE} label={`${person.fullName} as a QR code`} />
          <Soft>Another phone’s camera takes it into its address book.</Soft>
        </View>
      ) : null}
      <ShareLinks personId={person.id} />
      <VcardDownload person={person} />
      <EverythingAbout person={person} />
    </View>
  );
}
