import { zodResolver } from '@hookform/resolvers/zod';
import { ListViewFields } from '@dossier/contract';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft, Toggle } from '@/ui';
import { FormField } from '@/ui/FormField';
import { useChangeViewMutation, useKeepViewMutation, useRemoveViewMutation } from '../api';
import { addressOf, type ListPlace } from './place';
import { useChangeableView } from './useViewShown';

/** Keeps the list as it is under a name; what is kept already is renamed, shared or removed. */
export function KeepView({ place, onDone }: { place: ListPlace; onDone: () => void }) {
  const shown = useChangeableView(place);
  const { data: session } = useSessionQuery();
  const [forTeam, setForTeam] = useState(shown?.forTeam ?? false);
  const [keep, kept] = useKeepViewMutation();
  const [change, changed] = useChangeViewMutation();
  const [remove, removed] = useRemoveViewMutation();
  const isOthers = Boolean(shown && shown.ownerId !== session?.user.id);
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(ListViewFields.pick({ name: true })),
    defaultValues: { name: shown?.name ?? '' },
  });
  const submit = handleSubmit(async ({ name }) => {
    const fields = { name, forTeam, query: addressOf(place) };
    const answer = shown ? await change({ id: shown.id, fields }) : await keep(fields);
    if (!answer.error) onDone();
  });
  const error = kept.error ?? changed.error ?? removed.error;
  return (
    <View role="region" aria-label="Keep this view" className="gap-2 border-l-2 border-ink pl-3">
      <FormField
        control={control}
        name="name"
        label="Name of this view"
        autoFocus
        onSubmitEditing={() => void submit()}
      />
      <Toggle label="For the whole team" on={forTeam} onChange={setForTeam} />
      {isOthers ? <Soft>{`Made by ${shown!.owner}.`}</Soft> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={kept.isLoading || changed.isLoading} onPress={() => void submit()}>
          {shown ? 'Save' : 'Keep view'}
        </Button>
        {shown ? (
          <Button
            look="brick"
            busy={removed.isLoading}
            onPress={() => void remove(shown.id).then(({ error: refused }) => refused || onDone())}
          >
            Remove
          </Button>
        ) : null}
        <Button look="bare" onPress={onDone}>
          Close
        </Button>
      </View>
    </View>
  );
}
