import type { SharedPerson } from '@dossier/contract';
import { toVcard } from '@dossier/core/exchange';
import { addressLines } from '@dossier/core/people';
import { View } from 'react-native';
import { DoorPage, LinkDoor, useLinkToken } from '@/features/account';
import { ContactLinks } from '@/features/people';
import { countryName } from '@/lib/countries';
import { formatWhen } from '@/lib/formatDate';
import { Button, Soft, Text } from '@/ui';
import { useOpenedShareQuery } from './api';

/** A card, for whoever was given a link to it. */
export function SharedScreen() {
  const token = useLinkToken();
  const { data, ...opening } = useOpenedShareQuery(token, { skip: token === '' });
  return data ? <Shown shared={data} /> : <LinkDoor token={token} opening={opening} />;
}

function Shown({ shared: { id, fullName, fields, by, workspace, updatedAt, endsAt } }: { shared: SharedPerson }) {
  const job = [fields.title, fields.department, fields.company].filter(Boolean).join(', ');
  const country = /^[A-Z]{2}$/.test(fields.country) ? countryName(fields.country) : fields.country;
  const lines = [...addressLines(fields), country].filter(Boolean);
  const whole = { ...fields, more: [] };
  const save = () => {
    const text = toVcard(whole, { version: '3.0', uid: id, revision: new Date(updatedAt) });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'text/vcard' }));
    link.download = 'card.vcf';
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <DoorPage title={fullName || fields.company || 'A card'} about={job}>
      <ContactLinks fields={whole} />
      {lines.length > 0 ? (
        <View className="gap-1">
          {lines.map((line) => (
            <Text key={line}>{line}</Text>
          ))}
        </View>
      ) : null}
      <View className="items-start">
        <Button look="ink" onPress={save}>
          Save to my address book
        </Button>
      </View>
      <Soft>{`Shown to you by ${by}, ${workspace}, until ${formatWhen(endsAt)}.`}</Soft>
    </DoorPage>
  );
}
