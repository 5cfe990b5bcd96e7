import type { Person } from '@dossier/contract';
import { toVcard } from '@dossier/core/exchange';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button, Soft, Subheading } from '@/ui';
import { QrCode } from './QrCode';
import { ShareLinks } from './ShareLinks';
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
  const file = useMemo(() => new File([text], 'card.vcf', { type: 'text/vcard' }), [text]);
  const canShare = typeof navigator.canShare === 'function' && navigator.canShare({ files: [file] });
  const share = () =>
    // Whoever thinks better of it has done nothing wrong.
    void navigator.share({ files: [file], title: person.fullName }).catch(() => undefined);
  return (
    <View className="gap-4">
      <Subheading>Give to somebody</Subheading>
      <View className="flex-row flex-wrap gap-3">
        {canShare ? <Button onPress={share}>Share</Button> : null}
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
    </View>
  );
}
