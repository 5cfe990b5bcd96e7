import type { Note, NoteKind, Person } from '@dossier/contract';
import { View } from 'react-native';
import { Button, Notice, Subheading } from '@/ui';
import { AddNote } from './AddNote';
import { useChangeNoteMutation, useRemoveNoteMutation } from './api';
import { OneNote } from './OneNote';
import { useAddNote } from './useAddNote';

/** What was said, calls and visits: one line and one touch each. */
export function Notes({ person }: { person: Person }) {
  const { add, isLoading, error, isKept } = useAddNote(person);
  return (
    <View className="gap-3">
      <Subheading>Notes</Subheading>
      {person.deletedAt ? null : (
        <>
          <AddNote
            label="What was said"
            busy={isLoading}
            error={error}
            onAdd={(text) => add('note', text)}
            beside={(save) => (
              <>
                <Button label="Log a call" disabled={isLoading} onPress={() => save((text) => add('call', text))}>
                  Called
                </Button>
                <Button label="Log a visit" disabled={isLoading} onPress={() => save((text) => add('visit', text))}>
                  Visited
                </Button>
              </>
            )}
          />
          {isKept ? <Notice>Kept on this device. It is sent once Dossier can be reached.</Notice> : null}
        </>
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
