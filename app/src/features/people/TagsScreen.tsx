import { Tag } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { RatingWords, useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, CannotShow, Heading, LoadingLines, Notice, Page, Soft, Text, TextField } from '@/ui';
import { useRenameTagMutation, useTagsQuery } from './api';

/** All tags in one place: another word for one, or one word for two. */
export function TagsScreen() {
  const { data, error, refetch } = useTagsQuery();
  const [open, setOpen] = useState<string>();
  const may = useMay();
  if (error) {
    return <CannotShow title="The tags cannot be shown" error={error} onRetry={refetch} />;
  }
  if (!data) return <LoadingLines />;
  return (
    <Page measure={560}>
      <View className="gap-4">
        <View className="gap-1">
          <Heading>Tags and words</Heading>
          <Soft>Give a tag another word, or the word of another tag to make one of both.</Soft>
        </View>
        {data.items.length === 0 ? (
          <Soft>Nobody has a tag yet. Give people tags when you file their cards.</Soft>
        ) : null}
        {data.items.map(({ tag, people }) =>
          open === tag ? (
            <Rename key={tag} tag={tag} known={data.items.map((item) => item.tag)} onDone={() => setOpen(undefined)} />
          ) : (
            <View key={tag} className="min-h-touch flex-row items-center gap-3 border-b border-rule">
              <Text className="min-w-0 flex-1" style={{ overflowWrap: 'anywhere' } as object}>
                {tag}
              </Text>
              <Soft className="tabular">{counted(people, 'person', 'people')}</Soft>
              {may('merge') ? (
                <Button look="bare" label={`Rename ${tag}`} onPress={() => setOpen(tag)}>
                  Rename
                </Button>
              ) : null}
            </View>
          ),
        )}
        <RatingWords />
      </View>
    </Page>
  );
}

function Rename({ tag, known, onDone }: { tag: string; known: readonly string[]; onDone: () => void }) {
  const [text, setText] = useState(tag);
  const [rename, { isLoading, error }] = useRenameTagMutation();
  const parsed = Tag.safeParse(text);
  const merges = known.some((other) => other !== tag && other.toLowerCase() === text.trim().toLowerCase());
  const save = async () => {
    if (!parsed.success) return;
    const answer = await rename({ from: tag, to: parsed.data });
    if (!answer.error) onDone();
  };
  return (
    <View className="gap-2 border-b border-rule pb-3">
      <TextField
        label={`Another word for ${tag}`}
        value={text}
        onChangeText={setText}
        onSubmitEditing={() => void save()}
        complaint={text ? parsed.error?.issues[0]?.message : undefined}
        autoFocus
      />
      {merges ? <Soft>{`There is a tag ${text.trim()} already: both become one.`}</Soft> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row gap-2">
        <Button
          look="ink"
          busy={isLoading}
          disabled={!parsed.success || text.trim() === tag}
          onPress={() => void save()}
        >
          {merges ? 'Make one of both' : 'Rename'}
        </Button>
        <Button look="bare" onPress={onDone}>
          Keep the word
        </Button>
      </View>
    </View>
  );
}
