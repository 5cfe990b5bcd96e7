import { CompanyRename, type Company, type ListedCompany } from '@dossier/contract';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { useSettled } from '@/lib/useSettled';
import { Button, Notice, Soft, Text, TextField } from '@/ui';
import { FormField } from '@/ui/FormField';
import { useCompaniesInfiniteQuery, useMergeCompaniesMutation, useRenameCompanyMutation } from './api';
import { peopleHere } from './words';

/** Another name for a firm, or another firm that is the same. */
export function RenameOrMerge({ company }: { company: Company }) {
  const may = useMay();
  const [open, setOpen] = useState<'rename' | 'merge'>();
  const close = () => setOpen(undefined);
  if (open === 'rename') return <Rename company={company} onDone={close} />;
  if (open === 'merge') return <SameAs company={company} onDone={close} />;
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button onPress={() => setOpen('rename')}>Rename</Button>
      {may('merge') ? (
        <Button label="Another firm is the same as this one" onPress={() => setOpen('merge')}>
          Same as …
        </Button>
      ) : null}
    </View>
  );
}

function Rename({ company: { id, name, version }, onDone }: { company: Company; onDone: () => void }) {
  const [rename, { isLoading, error }] = useRenameCompanyMutation();
  const { control, handleSubmit } = useForm({
    resolver: zodResolver(CompanyRename.pick({ name: true })),
    defaultValues: { name },
  });
  const submit = handleSubmit(async (fields) => {
    const answer = await rename({ id, version, ...fields });
    if (!answer.error) onDone();
  });
  return (
    <View role="region" aria-label="Rename the firm" className="gap-2 border-l-2 border-ink pl-3">
      <FormField
        control={control}
        name="name"
        label="Name of the firm"
        autoFocus
        onSubmitEditing={() => void submit()}
      />
      <Soft>Whoever works there has the new name. Cards with the old one still find it.</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={isLoading} onPress={() => void submit()}>
          Save
        </Button>
        <Button look="bare" onPress={onDone}>
          Close
        </Button>
      </View>
    </View>
  );
}

const PAUSE_MS = 200;
const MOST_SHOWN = 6;

/** The other firm is looked for, seen, and brought together with this one. */
function SameAs({ company, onDone }: { company: Company; onDone: () => void }) {
  const [typed, setTyped] = useState('');
  const q = useSettled(typed.trim(), PAUSE_MS);
  const { data, error: unfound, isFetching } = useCompaniesInfiniteQuery({ q: q || company.name, sort: '' });
  const [other, setOther] = useState<ListedCompany>();
  const [merge, { isLoading, error }] = useMergeCompaniesMutation();
  const found = (data?.pages[0]?.items ?? []).filter(({ id }) => id !== company.id).slice(0, MOST_SHOWN);
  const go = async () => {
    const answer = await merge({ id: company.id, otherIds: [other!.id] });
    if (!answer.error) onDone();
  };
  return (
    <View role="region" aria-label="The same firm" className="gap-2 border-l-2 border-ink pl-3">
      {other ? (
        <>
          <Text>{`“${other.name}” is “${company.name}”: its people (${peopleHere(other.people)}) will be people of “${company.name}”, and its name will mean this firm. They can be parted again.`}</Text>
          {error ? <Notice fault>{problemText(error)}</Notice> : null}
          <View className="flex-row flex-wrap gap-2">
            <Button look="ink" busy={isLoading} onPress={() => void go()}>
              Bring together
            </Button>
            <Button onPress={() => setOther(undefined)}>Another one</Button>
            <Button look="bare" onPress={onDone}>
              Close
            </Button>
          </View>
        </>
      ) : (
        <>
          <TextField label="Which firm is the same" value={typed} onChangeText={setTyped} maxLength={120} autoFocus />
          {unfound ? <Notice fault>{problemText(unfound)}</Notice> : null}
          <View role="list" aria-label="Firms to choose from">
            {found.map((firm) => (
              <View key={firm.id} role="listitem" className="flex-row items-center border-b border-rule">
                <View className="min-w-0 flex-1 py-2">
                  <Text>{firm.name}</Text>
                  <Soft>{[peopleHere(firm.people), firm.town].filter(Boolean).join(' · ')}</Soft>
                </View>
                <Button look="bare" label={`${firm.name} is the same`} onPress={() => setOther(firm)}>
                  The same
                </Button>
              </View>
            ))}
          </View>
          {found.length === 0 && !isFetching ? (
            <Soft>
              {q ? 'No other firm is called so.' : 'No other firm has a name like this one. Write another name.'}
            </Soft>
          ) : null}
          <View className="items-start">
            <Button look="bare" className="-ml-4" onPress={onDone}>
              Close
            </Button>
          </View>
        </>
      )}
    </View>
  );
}
