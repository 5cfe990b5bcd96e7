import type { Person } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useChangePresenceMutation } from './api';

/** Deleting, which can be undone, and erasing, which cannot. */
export function EndOfRecord({ person }: { person: Person }) {
  const router = useRouter();
  const [change, { isLoading, error }] = useChangePresenceMutation();
  const [asking, setAsking] = useState(false);
  const may = useMay();
  const erase = async () => {
    const answer = await change({ id: person.id, to: 'erased' });
    if (!answer.error) router.replace('/people');
  };
  if (!may('delete')) return null;
  return (
    <View className="gap-3">
      <Subheading>{may('erase') ? 'Delete or erase' : 'Delete'}</Subheading>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {asking ? (
        <View role="alertdialog" aria-label="Erase for good" className="gap-3 border-l-2 border-brick pl-3">
          <Text>
            {`Everything about ${person.fullName} goes for good: record, cards, pictures, notes, consents and the values in the history. Only that somebody was erased stays. This cannot be undone.`}
          </Text>
          <View className="flex-row flex-wrap gap-2">
            <Button look="brick" busy={isLoading} onPress={() => void erase()}>
              Erase for good
            </Button>
            <Button look="bare" onPress={() => setAsking(false)}>
              Keep the record
            </Button>
          </View>
        </View>
      ) : (
        <>
          <View className="flex-row flex-wrap gap-2">
            {person.deletedAt ? null : (
              <Button busy={isLoading} onPress={() => void change({ id: person.id, to: 'deleted' })}>
                Delete
              </Button>
            )}
            {may('erase') ? (
              <Button look="brick" onPress={() => setAsking(true)}>
                Erase for good …
              </Button>
            ) : null}
          </View>
          <Soft>
            {may('erase')
              ? 'Deleted records can be brought back for 30 days. Erasing is for whoever asks to be forgotten.'
              : 'Deleted records can be brought back for 30 days. Whoever asks to be forgotten is erased by your manager.'}
          </Soft>
        </>
      )}
    </View>
  );
}

/** Above a deleted record: the way back. */
export function DeletedNotice({ person }: { person: Person }) {
  const [change, { isLoading, error }] = useChangePresenceMutation();
  const may = useMay();
  if (!person.deletedAt) return null;
  return (
    <Notice
      fault={Boolean(error)}
      action={
        may('delete') ? (
          <Button busy={isLoading} onPress={() => void change({ id: person.id, to: 'restored' })}>
            Bring back
          </Button>
        ) : undefined
      }
    >
      {error ? problemText(error) : 'This record is deleted. It is in no list.'}
    </Notice>
  );
}
