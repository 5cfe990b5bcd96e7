import type { Company } from '@dossier/contract';
import { Link, useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { problemText } from '@/lib/api';
import { useSelection } from '@/lib/useSelection';
import { Button, CardImage, cardPicture, ChooseRow, HoldToChoose, Notice, Serif, Soft, Subheading, Text } from '@/ui';
import { useMovePeopleMutation } from './api';
import { FirmField } from './FirmField';
import { peopleWords } from './words';

type Somebody = Company['present'][number];

/** Who works there and who did; chosen people are given to another firm, so that one is parted into two. */
export function CompanyPeople({ company }: { company: Company }) {
  const { id, present, presentTotal, former, formerTotal } = company;
  const mayMove = useMay()('edit');
  const ids = useMemo(() => present.map((one) => one.id), [present]);
  const { active, chosen, toggle, begin, end } = useSelection(ids);
  return (
    <View className="gap-3">
      <View className="flex-row flex-wrap items-center justify-between gap-x-3">
        <Subheading>{presentTotal > 0 ? `${peopleWords(presentTotal)} here` : 'Nobody here now'}</Subheading>
        <View className="flex-row">
          {mayMove && presentTotal > 0 && !active ? (
            <Button look="bare" className="px-2" label="Choose people of another firm" onPress={begin}>
              Move people
            </Button>
          ) : null}
          {presentTotal > 0 ? (
            <Link href={`/people?company=${id}` as Href}>
              <View className="min-h-touch justify-center px-2">
                <Text className="text-[16px] underline underline-offset-4">In the list</Text>
              </View>
            </Link>
          ) : null}
        </View>
      </View>
      {active ? <Move company={company} chosen={chosen} onDone={end} /> : null}
      <View role="list" aria-label="People here">
        {present.map((one) => (
          <View key={one.id} role="listitem">
            {active ? (
              <ChooseRow label={one.fullName} chosen={chosen.includes(one.id)} onChoose={(run) => toggle(one.id, run)}>
                <View className="w-full py-2 pl-[13px]">
                  <Row one={one} />
                </View>
              </ChooseRow>
            ) : (
              <PersonLink one={one} onChoose={mayMove ? (run) => toggle(one.id, run) : undefined} />
            )}
          </View>
        ))}
      </View>
      {presentTotal > present.length ? (
        <Soft>{`and ${peopleWords(presentTotal - present.length)} more, all in the list`}</Soft>
      ) : null}
      {former.length > 0 ? (
        <View className="gap-1 pt-2">
          <Soft>{`Before (${formerTotal.toLocaleString('en')})`}</Soft>
          <View role="list" aria-label="People who were here">
            {former.map((one) => (
              <View key={one.id} role="listitem">
                <PersonLink one={one} />
              </View>
            ))}
          </View>
        </View>
      ) : null}
    </View>
  );
}

function PersonLink({ one, onChoose }: { one: Somebody; onChoose?: (run: boolean) => void }) {
  const link = (
    <Link href={`/people/${one.id}`}>
      <View className="w-full border-b border-rule py-2 hover:bg-table">
        <Row one={one} />
      </View>
    </Link>
  );
  return onChoose ? <HoldToChoose onChoose={onChoose}>{link}</HoldToChoose> : link;
}

const Row = ({ one: { fullName, title, cardId, endedAt } }: { one: Somebody }) => (
  <View className="w-full flex-row items-center gap-4">
    {cardId ? (
      <CardImage src={cardPicture(cardId, 'thumbnail')} alt="" width={62} />
    ) : (
      <View className="h-[37px] w-[62px] rounded-card border border-rule" />
    )}
    <View className="min-w-0 flex-1">
      <Serif numberOfLines={2} className="text-[18px] leading-[23px]">
        {fullName || 'Unnamed'}
      </Serif>
      {title || endedAt ? (
        <Soft numberOfLines={2}>{[title, endedAt && `until ${endedAt.slice(0, 4)}`].filter(Boolean).join(', ')}</Soft>
      ) : null}
    </View>
  </View>
);

function Move({ company, chosen, onDone }: { company: Company; chosen: readonly string[]; onDone: () => void }) {
  const router = useRouter();
  const [to, setTo] = useState('');
  const [move, { isLoading, error }] = useMovePeopleMutation();
  const go = async () => {
    const answer = await move({ id: company.id, personIds: [...chosen], to: to.trim() });
    if (!answer.data) return;
    onDone();
    router.push(`/companies/${answer.data.id}`);
  };
  return (
    <View role="region" aria-label="People of another firm" className="gap-2 border-l-2 border-ink pl-3">
      <Soft>Choose below who belongs to another firm. It is made if there is none of that name.</Soft>
      <FirmField label="Their firm" value={to} onChange={setTo} />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" busy={isLoading} disabled={chosen.length === 0 || !to.trim()} onPress={() => void go()}>
          {chosen.length === 0 ? 'Move' : `Move ${peopleWords(chosen.length)}`}
        </Button>
        <Button look="bare" onPress={onDone}>
          Close
        </Button>
      </View>
    </View>
  );
}
