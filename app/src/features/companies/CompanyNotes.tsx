import type { Company, CompanyNote } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay, useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text, TextField } from '@/ui';
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
        <OneNote key={note.id} note={note} />
      ))}
    </View>
  );
}

function OneNote({ note }: { note: CompanyNote }) {
  const { data: session } = useSessionQuery();
  const may = useMay();
  const [text, setText] = useState<string>();
  const [change, changed] = useChangeCompanyNoteMutation();
  const [remove, removed] = useRemoveCompanyNoteMutation();
  const error = changed.error ?? removed.error;
  const isOwn = note.authorId === session?.user.id || may('settle');
  const save = async () => {
    const answer = await change({ id: note.id, text: text!.trim() });
    if (!answer.error) setText(undefined);
  };
  return (
    <View className="gap-1 border-l-2 border-ink pl-3">
      {text === undefined ? (
        <Text>{note.text}</Text>
      ) : (
        <TextField label="Note" value={text} onChangeText={setText} multiline autoFocus maxLength={4000} />
      )}
      <View className="flex-row flex-wrap items-center gap-x-3">
        <Soft>{`${note.author}, ${formatWhen(note.at)}${note.changedAt ? ', changed since' : ''}`}</Soft>
        {text !== undefined ? (
          <>
            <Button
              look="bare"
              className="px-2"
              busy={changed.isLoading}
              disabled={!text.trim()}
              onPress={() => void save()}
            >
              Save
            </Button>
            <Button look="brick" className="px-2" busy={removed.isLoading} onPress={() => void remove(note.id)}>
              Remove
            </Button>
            <Button look="bare" className="px-2" onPress={() => setText(undefined)}>
              Close
            </Button>
          </>
        ) : isOwn ? (
          <Button look="bare" className="px-2" label="Change this note" onPress={() => setText(note.text)}>
            Change
          </Button>
        ) : null}
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
