import type { CompanyNote } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useMay, useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Text, TextField } from '@/ui';

/** What a mutation gives back, and how it stands. */
type Act<A> = readonly [
  act: (argument: A) => PromiseLike<{ error?: unknown }>,
  state: { isLoading: boolean; error?: unknown },
];

interface Props {
  /** Of somebody or of a firm. */
  note: CompanyNote;
  /** Said before its text. */
  kind?: string;
  /** A call or a visit says enough without words. */
  mayBeEmpty?: boolean;
  change: Act<{ id: string; text: string }>;
  remove: Act<string>;
}

/** A note with who wrote it and when; whoever may changes or removes it. */
export function OneNote({ note, kind = '', mayBeEmpty = false, change, remove }: Props) {
  const { data: session } = useSessionQuery();
  const may = useMay();
  const [text, setText] = useState<string>();
  const [[onChange, changed], [onRemove, removed]] = [change, remove];
  const error = changed.error ?? removed.error;
  const isOwn = note.authorId === session?.user.id || may('settle');
  const save = async () => {
    const answer = await onChange({ id: note.id, text: text!.trim() });
    if (!answer.error) setText(undefined);
  };
  return (
    <View className="gap-1 border-l-2 border-ink pl-3">
      {text === undefined ? (
        <Text>{`${kind}${note.text}`}</Text>
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
              disabled={!mayBeEmpty && !text.trim()}
              onPress={() => void save()}
            >
              Save
            </Button>
            <Button look="brick" className="px-2" busy={removed.isLoading} onPress={() => void onRemove(note.id)}>
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
