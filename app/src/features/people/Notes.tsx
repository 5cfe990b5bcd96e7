import type { Note, NoteKind, Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay, useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text, TextField } from '@/ui';
import { useAddNoteMutation, useChangeNoteMutation, useRemoveNoteMutation } from './api';

/** What was said, calls and visits: one line and one touch each. */
export function Notes({ person }: { person: Person }) {
  const [text, setText] = useState('');
  const [add, { isLoading, error }] = useAddNoteMutation();
  const save = async (kind: NoteKind) => {
    const answer = await add({ personId: person.id, note: { kind, text: text.trim() } });
    if (!answer.error) setText('');
  };
  return (
    <View className="gap-3">
      <Subheading>Notes</Subheading>
      {person.deletedAt ? null : (
        <View className="gap-2">
          <TextField label="What was said" value={text} onChangeText={setText} multiline maxLength={4000} />
          <View className="flex-row flex-wrap gap-2">
            <Button
              look={text.trim() ? 'ink' : 'plain'}
              disabled={!text.trim()}
              busy={isLoading}
              onPress={() => void save('note')}
            >
              Add note
            </Button>
            <Button label="Log a call" disabled={isLoading} onPress={() => void save('call')}>
              Called
            </Button>
            <Button label="Log a visit" disabled={isLoading} onPress={() => void save('visit')}>
              Visited
            </Button>
          </View>
          {error ? <Notice fault>{problemText(error)}</Notice> : null}
        </View>
      )}
      {person.notes.map((note) => (
        <OneNote key={note.id} note={note} />
      ))}
    </View>
  );
}

const KINDS: Record<NoteKind, string> = { note: '', call: 'Called. ', visit: 'Visited. ' };

function OneNote({ note }: { note: Note }) {
  const { data: session } = useSessionQuery();
  const may = useMay();
  const [text, setText] = useState<string>();
  const [change, changed] = useChangeNoteMutation();
  const [remove, removed] = useRemoveNoteMutation();
  const error = changed.error ?? removed.error;
  const isOwn = note.authorId === session?.user.id || may('settle');
  const save = async () => {
    const answer = await change({ id: note.id, text: text!.trim() });
    if (!answer.error) setText(undefined);
  };
  return (
    <View className="gap-1 border-l-2 border-ink pl-3">
      {text === undefined ? (
        <Text>{`${KINDS[note.kind]}${note.text}`}</Text>
      ) : (
        <TextField label="Note" value={text} onChangeText={setText} multiline autoFocus maxLength={4000} />
      )}
      <View className="flex-row flex-wrap items-center gap-x-3">
        <Soft>{`${note.author}, ${formatWhen(note.at)}${note.changedAt ? ', changed since' : ''}`}</Soft>
        {text !== undefined ? (
          <>
            <Button look="bare" className="px-2" busy={changed.isLoading} onPress={() => void save()}>
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
