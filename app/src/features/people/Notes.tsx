import type { Note, NoteKind, Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Subheading, TextField } from '@/ui';
import { useChangeNoteMutation, useRemoveNoteMutation } from './api';
import { OneNote } from './OneNote';
import { useAddNote } from './useAddNote';

/** What was said, calls and visits: one line and one touch each. */
export function Notes({ person }: { person: Person }) {
  const [text, setText] = useState('');
  const { add, isLoading, error, isKept } = useAddNote(person);
  const save = async (kind: NoteKind) => {
    if (await add(kind, text.trim())) setText('');
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
          {isKept ? <Notice>Kept on this device. It is sent once Dossier can be reached.</Notice> : null}
        </View>
      )}
      {person.notes.map((note) => (
        <PersonNote key={note.id} note={note} />
      ))}
    </View>
  );
}

const KINDS: Record<NoteKind, string> = { note: '', call: 'Called. ', visit: 'Visited. ' };

function PersonNote({ note }: { note: Note }) {
  return (
    <OneNote
      note={note}
      kind={KINDS[note.kind]}
      mayBeEmpty={note.kind !== 'note'}
      change={useChangeNoteMutation()}
      remove={useRemoveNoteMutation()}
    />
  );
}
