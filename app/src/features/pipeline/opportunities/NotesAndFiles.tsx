import type { Opportunity } from '@dossier/contract';
import { useRef } from 'react';
import { View } from 'react-native';
import { useMay, useSessionQuery } from '@/features/account';
import { AddNote } from '@/features/people';
import { API, problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import {
  useAddOpportunityFileMutation, useAddOpportunityNoteMutation, useRemoveOpportunityFileMutation, useRemoveOpportunityNoteMutation,
} from '../api'; // prettier-ignore

/** What was said about it. */
export function OpportunityNotes({ one }: { one: Opportunity }) {
  const may = useMay();
  const { data: session } = useSessionQuery();
  const [add, { isLoading, error }] = useAddOpportunityNoteMutation();
  const [remove, removing] = useRemoveOpportunityNoteMutation();
  return (
    <View className="gap-2">
      <Subheading>Notes</Subheading>
      {may('edit') ? (
        <AddNote
          label="What was said"
          busy={isLoading}
          error={error}
          onAdd={async (text) => !(await add({ id: one.id, text })).error}
        />
      ) : null}
      {removing.error ? <Notice fault>{problemText(removing.error)}</Notice> : null}
      {one.notes.map((note) => (
        <View key={note.id} className="border-b border-rule py-2">
          <Text className="[overflow-wrap:anywhere]">{note.text}</Text>
          <View className="flex-row flex-wrap items-center gap-x-3">
            <Soft>{`${note.author}, ${formatWhen(note.at)}`}</Soft>
            {note.authorId === session?.user.id || may('settle') ? (
              <Button
                look="bare"
                label={`Remove the note “${note.text.slice(0, 40)}”`}
                onPress={() => void remove(note.id)}
              >
                Remove
              </Button>
            ) : null}
          </View>
        </View>
      ))}
    </View>
  );
}

const size = (bytes: number): string => (bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`); // prettier-ignore

/** Offers, drawings, whatever belongs to it. */
export function OpportunityFiles({ one }: { one: Opportunity }) {
  const may = useMay();
  const input = useRef<HTMLInputElement>(null);
  const [add, { isLoading, error }] = useAddOpportunityFileMutation();
  const [remove, removing] = useRemoveOpportunityFileMutation();
  return (
    <View className="gap-2">
      <Subheading>Files</Subheading>
      {one.files.map((file) => (
        <View key={file.id} className="flex-row flex-wrap items-center justify-between gap-x-3 border-b border-rule">
          <a
            href={`${API}/opportunity-files/${file.id}`}
            download
            style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4, overflowWrap: 'anywhere' }}
          >
            <Text className="underline underline-offset-4">{file.name}</Text>
          </a>
          <Soft>{`${size(file.bytes)}, ${file.by}, ${formatWhen(file.at)}`}</Soft>
          {may('edit') ? (
            <Button look="bare" label={`Remove ${file.name}`} onPress={() => void remove(file.id)}>
              Remove
            </Button>
          ) : null}
        </View>
      ))}
      {one.files.length === 0 ? <Soft>No offer or drawing is kept here yet.</Soft> : null}
      {error || removing.error ? <Notice fault>{problemText(error ?? removing.error)}</Notice> : null}
      {may('edit') ? (
        <View className="items-start">
          <input
            ref={input}
            type="file"
            aria-label="A file of it"
            style={{ display: 'none' }}
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void add({ id: one.id, file });
              target.value = '';
            }}
          />
          <Button busy={isLoading} onPress={() => input.current?.click()}>
            Add a file
          </Button>
        </View>
      ) : null}
    </View>
  );
}
