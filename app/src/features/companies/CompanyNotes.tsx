import type { Company, CompanyNote } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { OneNote } from '@/features/people';
import { problemText } from '@/lib/api';
import { Button, Notice, Subheading, TextField } from '@/ui';
import { useAddCompanyNoteMutation, useChangeCompanyNoteMutation, useRemoveCompanyNoteMutation } from './api';

/** What is to be known of a firm, whoever works there. */
export function CompanyNotes({ company }: { company: Company }) {
  const may = useMay();
  const [text, setText] = useState('');
  const [add, { isLoading, error }] = useAddCompanyNoteMutation();
  const save = async () => {
    const answer = await add({ id: company.id, text: text.trim() });
    if (!answer.error) setText('');
  };
  return (
    <View className="gap-3">
      <Subheading>Notes</Subheading>
      {may('edit') ? (
        <View className="gap-2">
          <TextField label="Of this firm" value={text} onChangeText={setText} multiline maxLength={4000} />
          <View className="items-start">
            <Button
              look={text.trim() ? 'ink' : 'plain'}
              disabled={!text.trim()}
              busy={isLoading}
              onPress={() => void save()}
            >
              Add note
            </Button>
          </View>
          {error ? <Notice fault>{problemText(error)}</Notice> : null}
        </View>
      ) : null}
      {company.notes.map((note) => (
        <FirmNote key={note.id} note={note} />
      ))}
    </View>
  );
}

const FirmNote = ({ note }: { note: CompanyNote }) => (
  <OneNote note={note} change={useChangeCompanyNoteMutation()} remove={useRemoveCompanyNoteMutation()} />
);
